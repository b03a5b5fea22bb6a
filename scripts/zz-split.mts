import ts from 'typescript';
import { readFileSync, writeFileSync } from 'node:fs';
import { resolve, join } from 'node:path';
const cfg = ts.getParsedCommandLineOfConfigFile('tsconfig.json', {}, { ...ts.sys, onUnRecoverableConfigFileDiagnostic: () => {} } as any)!;
let files = [...cfg.fileNames]; const ver = new Map<string, number>();
const host: ts.LanguageServiceHost = { getScriptFileNames: () => files, getScriptVersion: (f) => String(ver.get(f) ?? 0), getScriptSnapshot: (f) => ts.sys.fileExists(f) ? ts.ScriptSnapshot.fromString(readFileSync(f, 'utf8')) : undefined, getCurrentDirectory: () => process.cwd(), getCompilationSettings: () => cfg.options, getDefaultLibFileName: (o) => ts.getDefaultLibFilePath(o), fileExists: ts.sys.fileExists, readFile: ts.sys.readFile, readDirectory: ts.sys.readDirectory, directoryExists: ts.sys.directoryExists, getDirectories: ts.sys.getDirectories };
const ls = ts.createLanguageService(host, ts.createDocumentRegistry());
const prefs: ts.UserPreferences = { importModuleSpecifierEnding: 'js', quotePreference: 'single', allowTextChangesInNewFiles: true } as any;
const K = 'core/elements/kinds/';
const moves: [string, string[], string][] = JSON.parse(readFileSync('/tmp/moves.json', 'utf8'));
for (const [from, names, to] of moves) {
  for (const name of names) {
    const file = resolve(K + from), target = resolve(K + to);
    const src = ls.getProgram()!.getSourceFile(file)!;
    const st = src.statements.find((s) => (ts.isVariableStatement(s) && s.declarationList.declarations.some((d) => (d.name as any).text === name)) || ((ts.isFunctionDeclaration(s) || ts.isInterfaceDeclaration(s) || ts.isTypeAliasDeclaration(s)) && s.name?.text === name));
    if (!st) throw new Error(`${from} ${name}`);
    const range = { pos: st.getStart(), end: st.getEnd() };
    const e = ls.getEditsForRefactor(file, ts.getDefaultFormatCodeSettings(), range, 'Move to file', 'Move to file', prefs, { targetFile: target });
    if (!e) throw new Error('no edits ' + name);
    for (const c of e.edits) {
      let text = c.isNewFile || !ts.sys.fileExists(c.fileName) ? '' : readFileSync(c.fileName, 'utf8');
      for (const t of [...c.textChanges].sort((a, b) => b.span.start - a.span.start)) text = text.slice(0, t.span.start) + t.newText + text.slice(t.span.start + t.span.length);
      text = text.replace(/from (['"])(\.[^'"]*)\.js\1/g, "from '$2.ts'").replace(/from "(\.[^"]*)"/g, "from '$1'");
      writeFileSync(c.fileName, text);
      ver.set(c.fileName, (ver.get(c.fileName) ?? 0) + 1);
      if (!files.includes(c.fileName)) files.push(c.fileName);
    }
  }
  console.log(from, names.join(' '), '->', to);
}
