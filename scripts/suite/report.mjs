import { readFileSync } from 'node:fs';
import { relative } from 'node:path';
import { ROOT } from '../setup/paths.mjs';

/**
 * @typedef {object} Told what a part of the suite came to
 * @property {number} passed
 * @property {number} failed
 * @property {[file: string, seconds: number][]} files
 */

const sum = (numbers) => numbers.reduce((total, each) => total + each, 0);

/** A run that died, or whose report is missing, has failed whatever it counted. */
const dead = (isWell, failed) => (isWell || failed > 0 ? 0 : 1);

function ofVitest({ numPassedTests, numFailedTests, testResults }, isWell) {
  return {
    passed: numPassedTests,
    failed: numFailedTests + dead(isWell, numFailedTests),
    files: testResults.map(({ name, assertionResults }) => [
      relative(ROOT, name),
      sum(assertionResults.map(({ duration }) => duration ?? 0)) / 1000,
    ]),
  };
}

const specsIn = ({ specs = [], suites = [] }) => [...specs, ...suites.flatMap(specsIn)];

function ofPlaywright({ stats, suites }, isWell) {
  const failed = stats.unexpected + stats.flaky;
  return {
    passed: stats.expected,
    failed: failed + dead(isWell, failed),
    files: suites.map((suite) => [
      `e2e/${suite.file}`,
      sum(specsIn(suite).flatMap(({ tests }) => tests.flatMap(({ results }) => results.map(({ duration }) => duration)))) / 1000,
    ]),
  };
}

/**
 * What a part of the suite came to, from the report that it wrote.
 *
 * @param {'check' | 'units' | 'browser'} kind
 * @param {string} file its report
 * @param {boolean} isWell it ended well
 * @returns {Told}
 */
export function readReport(kind, file, isWell) {
  if (kind === 'check') return { passed: isWell ? 1 : 0, failed: isWell ? 0 : 1, files: [] };
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    return kind === 'units' ? ofVitest(report, isWell) : ofPlaywright(report, isWell);
  } catch {
    return { passed: 0, failed: 1, files: [] };
  }
}

const SLOWEST = 10;

/** Where the time of a run went: each part, then the slowest files, in lines. */
export function splitOf(results) {
  const files = new Map();
  for (const [file, seconds] of results.flatMap((result) => result.files)) files.set(file, (files.get(file) ?? 0) + seconds);
  const row = (what, seconds, more = '') => `${seconds.toFixed(1).padStart(7)} s  ${what}${more}`;
  const said = ({ passed, failed }) => (failed === 0 ? `: ${passed} passed` : `: ${passed} passed, ${failed} FAILED`);
  return [
    'By part, several side by side:',
    ...results.toSorted((a, b) => b.seconds - a.seconds).map((result) => row(result.name, result.seconds, said(result))),
    '',
    `The ${SLOWEST} slowest files:`,
    ...[...files]
      .toSorted((a, b) => b[1] - a[1])
      .slice(0, SLOWEST)
      .map(([file, seconds]) => row(file, seconds)),
  ];
}
