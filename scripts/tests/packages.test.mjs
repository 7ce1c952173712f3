import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROOT } from '../setup/paths.mjs';

const { packages } = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
const { allowScripts } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
const all = Object.entries(packages).filter(([path]) => path.includes('node_modules/'));
const named = ([path]) => path.split('node_modules/').at(-1);

describe('the packages that are installed', () => {
  it('are none that their makers gave up, and name no place that they come from', () => {
    expect(all.length).toBeGreaterThan(100);
    expect(all.filter(([, { deprecated }]) => deprecated !== undefined).map(named)).toEqual([]);
    expect(all.filter(([, { resolved, link }]) => link !== true && /^https?:/.test(resolved ?? '')).map(named)).toEqual([]);
  });

  it('run no script of their own when they are installed', () => {
    const scripted = all.filter(([, { hasInstallScript }]) => hasInstallScript === true).map(named);
    expect(scripted.filter((name) => allowScripts[name] !== false)).toEqual([]);
  });
});
