import { createRequire } from 'node:module';
import { expect } from 'chai';
import jsonpatch, { type Operation } from 'fast-json-patch';

// The published cases of https://github.com/json-patch/json-patch-tests (npm: json-patch-test-suite 1.1.0), which hold
// the examples of RFC 6902, appendix A. The server applies patches with fast-json-patch, unchanged.
interface Case {
  comment?: string;
  doc: unknown;
  patch: Operation[];
  expected?: unknown;
  error?: string;
  disabled?: boolean;
}
const require = createRequire(import.meta.url);
const cases = (['spec_tests.json', 'tests.json'] as const).flatMap((file) =>
  (require(`json-patch-test-suite/${file}`) as Case[]).map((entry, index) => ({
    ...entry,
    name: `${file} ${index}: ${entry.comment ?? ''}`,
  })),
);

/** Operations that edits may have: the server refuses the others before it applies anything. */
const ours = (entry: Case) =>
  Array.isArray(entry.patch) &&
  entry.patch.every((operation) => ['add', 'replace', 'remove'].includes(operation?.op));

describe('JSON Patch', () => {
  const chosen = cases.filter(
    (entry) => !entry.disabled && ours(entry) && (entry.error !== undefined || 'expected' in entry),
  );

  it('has the published cases to check', () => {
    expect(chosen.length).to.be.greaterThan(40);
  });

  for (const entry of chosen) {
    it(entry.name, () => {
      const apply = () => jsonpatch.applyPatch(structuredClone(entry.doc), entry.patch, true).newDocument;
      if (entry.error !== undefined) expect(apply).to.throw();
      else expect(apply()).to.deep.equal(entry.expected);
    });
  }
});
