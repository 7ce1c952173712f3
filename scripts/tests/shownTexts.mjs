import { readFileSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { parse } from 'vue/compiler-sfc';
import { ROOT } from '../setup/paths.mjs';

const SKIPPED = new Set(['node_modules', 'dist', 'test', 'testing', 'migrations']);
const sourcesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return SKIPPED.has(entry.name) ? [] : sourcesIn(path);
    return /\.(ts|vue)$/.test(entry.name) && !/\.test\.ts$/.test(entry.name) ? [path] : [];
  });

/** What stands for a quantity or another part of the sentence. */
export const HOLE = '…';

function textsOfScript(text) {
  const found = [];
  const visit = (node) => {
    if (ts.isImportDeclaration(node)) return;
    if (ts.isTemplateExpression(node)) {
      found.push(node.head.text + node.templateSpans.map(({ literal }) => HOLE + literal.text).join(''));
      for (const { expression } of node.templateSpans) visit(expression);
      return;
    }
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) found.push(node.text);
    node.forEachChild(visit);
  };
  visit(ts.createSourceFile('a.ts', text, ts.ScriptTarget.Latest, true));
  return found;
}

const [ELEMENT, TEXT, INTERPOLATION, ATTRIBUTE] = [1, 2, 5, 6];
const TOLD = /^(?:label|title|placeholder|aria-label|alt|note|caption|sentence|summary)$/;

/** The words of a block stand in one line, with a hole for each figure; a phrase is not cut where a figure stands in bold. */
function textsOfTemplate(node) {
  const found = [];
  let line = '';
  const end = () => {
    found.push(line);
    line = '';
  };
  const walk = (at) => {
    if (at.type === TEXT) line += at.content;
    if (at.type === INTERPOLATION) {
      line += HOLE;
      found.push(...textsOfScript(at.content.content));
    }
    if (at.type === ELEMENT) {
      for (const prop of at.props) if (prop.type === ATTRIBUTE && TOLD.test(prop.name)) found.push(prop.value?.content ?? '');
      const isInline = ['b', 'span', 'template', 'a', 'i', 'em', 'sup', 'SentenceText', 'TermWord'].includes(at.tag);
      if (!isInline) end();
      if (at.tag === 'SentenceText') line += HOLE;
      for (const child of at.children) walk(child);
      if (!isInline) end();
      return;
    }
    for (const child of at.children ?? []) if (typeof child === 'object') walk(child);
  };
  walk(node);
  end();
  return found;
}

function textsOf(path) {
  const source = readFileSync(path, 'utf8');
  if (path.endsWith('.ts')) return textsOfScript(source);
  const { descriptor } = parse(source);
  return [
    ...textsOfScript(descriptor.scriptSetup?.content ?? ''),
    ...(descriptor.template?.ast == null ? [] : textsOfTemplate(descriptor.template.ast)),
  ];
}

const isProse = (text) => /[a-z]{2,} [a-z]/i.test(text) && !/\b(?:SELECT|INSERT|UPDATE|ALTER|CREATE|DROP|TRUNCATE|RECURSIVE)\b/.test(text);

/** Every text of the product that a maker may read: `{ file, text }`, from code and from templates. */
export const shownTexts = () =>
  ['core', 'tell', 'contract', 'server', 'web'].flatMap((name) =>
    sourcesIn(join(ROOT, name, 'src')).flatMap((path) =>
      textsOf(path)
        .map((text) => ({ file: relative(ROOT, path), text: path.endsWith('.vue') ? text.replaceAll(/\s+/g, ' ').trim() : text }))
        .filter(({ text }) => isProse(text)),
    ),
  );
