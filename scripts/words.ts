/**
 * `npm run words`: prints every text that people see, with the file and the line it is in, so that the whole interface can be read as a
 * list. `npm run words -- web/workbench` prints those of one folder. What is interpolated is shown as ‹…›.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

const root = fileURLToPath(new URL('..', import.meta.url));
const FOLDERS = ['web', 'core', 'api', 'server', 'cli', 'demo'];

/** Attributes of elements, and properties, whose values name things for the program and are never shown. */
const NOT_SHOWN =
  /^(className|type|key|id|role|name|variant|color|size|component|href|to|rel|src|sx|style|edge|align|position|placement|severity|mode|slot|d|fill|stroke|path|property|kind|op|display|cursor|overflow|flex.*|grid.*|justify.*|text[A-Z].*|font.*|border.*|background.*|transition|transform|.*Class)$/;

/** Whether a text is one for people: words with a space between them, or one capitalised word. */
const isForPeople = (text: string): boolean =>
  /\p{L}{2}/u.test(text) &&
  (/^\p{Lu}[\p{Ll}’-]+ ?…?$/u.test(text) ||
    (/\p{L}+[,.:;!?…”’)]* [“(]?[\p{L}‹\d]/u.test(text) && !/[{};=<>]|^[a-z-]+:/.test(text)));

/** The text of a literal, a template or JSX; undefined where the node is none. */
function textOf(node: ts.Node): string | undefined {
  if (ts.isStringLiteralLike(node)) return node.text;
  if (ts.isJsxText(node)) return node.text.replace(/\s+/g, ' ').trim();
  if (ts.isTemplateExpression(node))
    return node.head.text + node.templateSpans.map(({ literal }) => `‹…›${literal.text}`).join('');
  return undefined;
}

/** Whether a literal is a name in the program, by where it is. */
function isName(node: ts.Node): boolean {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isLiteralTypeNode(parent) || ts.isExportDeclaration(parent))
    return true;
  if (ts.isElementAccessExpression(parent)) return true;
  if (ts.isJsxAttribute(parent)) return NOT_SHOWN.test(parent.name.getText());
  if (ts.isPropertyAssignment(parent)) return parent.name === node || NOT_SHOWN.test(parent.name.getText());
  if (ts.isBinaryExpression(parent))
    return [ts.SyntaxKind.EqualsEqualsEqualsToken, ts.SyntaxKind.ExclamationEqualsEqualsToken].includes(
      parent.operatorToken.kind,
    );
  return false;
}

function textsIn(path: string): { line: number; text: string }[] {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.ESNext, true);
  const texts: { line: number; text: string }[] = [];
  const visit = (node: ts.Node): void => {
    const text = textOf(node);
    if (text !== undefined && isForPeople(text) && !isName(node))
      texts.push({ line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, text });
    ts.forEachChild(node, visit);
  };
  visit(source);
  return texts;
}

const filesIn = (folder: string): string[] =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.d\.ts$/.test(name))
    .map((name) => join(root, folder, name))
    .sort();

const asked = process.argv.slice(2);
for (const path of (asked.length > 0 ? asked : FOLDERS).flatMap(filesIn))
  for (const { line, text } of textsIn(path)) console.log(`${relative(root, path)}:${line}\t${text}`);
