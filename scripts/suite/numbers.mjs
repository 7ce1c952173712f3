import { readFileSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { ROOT } from '../setup/paths.mjs';

/** The floors whose numbers decide what a maker is told. */
const FLOORS = ['core/src', 'tell/src'];
/** Worlds to try the rest on, and what tests are made of: they tell a maker nothing. */
const NOT_TOLD = /^core\/src\/(?:testing|reference|simulate)\//;

const sourcesUnder = (path) =>
  readdirSync(path, { withFileTypes: true }).flatMap((entry) => {
    const full = join(path, entry.name);
    if (entry.isDirectory()) return sourcesUnder(full);
    return /\.ts$/.test(entry.name) && !/\.test\.ts$/.test(entry.name) ? [full] : [];
  });

/**
 * @typedef {object} Told a number that stands in the sources
 * @property {string} file from the root
 * @property {string} name of the constant, with the way to it where there are several: `GUARD.opensAt`; of a condition, its own words
 * @property {'constant' | 'condition'} stands
 * @property {boolean} isExported
 * @property {number} value
 * @property {number} start
 * @property {number} end in the file's text
 */

const isCapital = (name) => /^[A-Z][A-Z0-9]*(?:_[A-Z0-9]+)*$/.test(name);
const COMPARES = new Set([
  ts.SyntaxKind.LessThanToken,
  ts.SyntaxKind.GreaterThanToken,
  ts.SyntaxKind.LessThanEqualsToken,
  ts.SyntaxKind.GreaterThanEqualsToken,
]);

/** Numbers below a node, each with the keys on the way to it; what a function holds is not the constant's. */
function numbersIn(node, way = '') {
  if (ts.isFunctionLike(node)) return [];
  if (ts.isNumericLiteral(node)) return [{ node, way }];
  const found = [];
  let index = 0;
  node.forEachChild((child) => {
    const step =
      ts.isPropertyAssignment(node) || !ts.isArrayLiteralExpression(node)
        ? ts.isPropertyAssignment(child)
          ? `.${child.name.getText()}`
          : ''
        : `[${index++}]`;
    if (ts.isPropertyAssignment(node) && child === node.name) return;
    found.push(...numbersIn(child, `${way}${step}`));
  });
  return found;
}

const words = (node) => node.getText().replaceAll(/\s+/g, ' ');

/** Numbers of one source: of its constants in capitals, and bare ones that something is compared with. 0 and 1 compare with nothing of note. */
function numbersOf(path) {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const file = relative(ROOT, path);
  const told = (node, name, stands, isExported) => ({
    file,
    name,
    stands,
    isExported,
    value: Number(node.text),
    start: node.getStart(),
    end: node.getEnd(),
  });
  const constants = source.statements.filter(ts.isVariableStatement).flatMap((statement) => {
    const isExported = statement.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword) ?? false;
    return statement.declarationList.declarations
      .filter(({ name, initializer }) => ts.isIdentifier(name) && isCapital(name.text) && initializer !== undefined)
      .flatMap(({ name, initializer }) =>
        numbersIn(initializer).map(({ node, way }) => told(node, `${name.text}${way}`, 'constant', isExported)),
      );
  });
  const conditions = [];
  const walk = (node) => {
    if (ts.isBinaryExpression(node) && COMPARES.has(node.operatorToken.kind))
      for (const side of [node.left, node.right])
        for (const { node: number } of numbersIn(side))
          if (!['0', '1'].includes(number.text)) conditions.push(told(number, words(node), 'condition', false));
    node.forEachChild(walk);
  };
  walk(source);
  return [...constants, ...conditions];
}

/** @returns {Told[]} every number that may decide what a maker is told, in the order of the sources */
export const allNumbers = () =>
  FLOORS.flatMap((floor) => sourcesUnder(join(ROOT, floor)))
    .filter((path) => !NOT_TOLD.test(relative(ROOT, path)))
    .toSorted()
    .flatMap(numbersOf);
