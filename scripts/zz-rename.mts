import ts from 'typescript';
import { readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
const cfg = ts.getParsedCommandLineOfConfigFile('tsconfig.json', {}, { ...ts.sys, onUnRecoverableConfigFileDiagnostic: () => {} } as any)!;
const ver = new Map<string, number>();
const host: any = { getScriptFileNames: () => cfg.fileNames, getScriptVersion: (f: string) => String(ver.get(f) ?? 0), getScriptSnapshot: (f: string) => ts.sys.fileExists(f) ? ts.ScriptSnapshot.fromString(readFileSync(f, 'utf8')) : undefined, getCurrentDirectory: () => process.cwd(), getCompilationSettings: () => cfg.options, getDefaultLibFileName: (o: any) => ts.getDefaultLibFilePath(o), fileExists: ts.sys.fileExists, readFile: ts.sys.readFile, readDirectory: ts.sys.readDirectory, directoryExists: ts.sys.directoryExists, getDirectories: ts.sys.getDirectories };
const ls = ts.createLanguageService(host, ts.createDocumentRegistry());
for (const arg of process.argv.slice(2)) {
  const [file, line, old, name] = arg.split(':');
  const f = resolve(file), text = readFileSync(f, 'utf8');
  const lines = text.split('\n'); const off = lines.slice(0, Number(line) - 1).join('\n').length + 1;
  const pos = text.indexOf(old, off);
  const locs = ls.findRenameLocations(f, pos, false, false, { providePrefixAndSuffixTextForRename: true })!;
  const by = new Map<string, any[]>();
  for (const l of locs) by.set(l.fileName, [...(by.get(l.fileName) ?? []), l]);
  for (const [p, list] of by) { let t = readFileSync(p, 'utf8'); for (const l of list.sort((a, b) => b.textSpan.start - a.textSpan.start)) t = t.slice(0, l.textSpan.start) + (l.prefixText ?? '') + name + (l.suffixText ?? '') + t.slice(l.textSpan.start + l.textSpan.length); writeFileSync(p, t); ver.set(p, (ver.get(p) ?? 0) + 1); }
  console.log(arg, locs.length);
}
