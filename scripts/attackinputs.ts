/** Hostile input for `npm run attack`: requests, bodies and fragments of HTML, each made from a seed. */
import fc from 'fast-check';
import { paths } from '../api/paths.ts';
import { inHome, set, SITE } from '../test/server/editing.ts';

const HOSTILE = fc.oneof(
  fc.constantFrom<unknown>(
    ...[
      '',
      '\0',
      '\ud800',
      '__proto__',
      'constructor',
      '../../etc/passwd',
      'a'.repeat(60_000),
      '{',
      '{{night}}',
    ],
    ...[
      '/'.repeat(30),
      '~'.repeat(30),
      `#${' '.repeat(45_000)}`,
      'rgb(1 2 3',
      '<script>x</script>',
      '\u202egnp',
    ],
    ...[null, true, -1, 1e308, NaN, [], {}, [[[[]]]], { __proto__: 1 }, { base: 'x', at: { gone: 1 } }],
  ),
  fc.jsonValue(),
);

const valid = () => ({
  operations: [
    set(inHome('headline', 'style/self/weight/base'), 500),
    set('/frame/shared/head/nodes/shared-head-mark/content/name', 'The Hill'),
  ],
  session: 'attack',
  by: 'edit',
  sentence: 'An attack',
});

/** What is put somewhere as a name; an object need not be one that can say itself as a text. */
const named = (put: unknown): string => (typeof put === 'string' ? put : (JSON.stringify(put) ?? 'nothing'));

/** A value with something in it replaced, dropped or added, somewhere. */
export const mutated = fc
  .tuple(HOSTILE, fc.nat(), fc.constantFrom('replace', 'drop', 'add', 'key'))
  .map(([put, where, how]) => {
    const made = valid() as Record<string, unknown>;
    const holders: { at: Record<string, unknown>; key: string }[] = [];
    const walk = (at: Record<string, unknown>) => {
      for (const key of Object.keys(at)) {
        holders.push({ at, key });
        if (typeof at[key] === 'object' && at[key] !== null) walk(at[key] as Record<string, unknown>);
      }
    };
    walk(made);
    const { at, key } = holders[where % holders.length];
    if (how === 'replace') at[key] = put;
    else if (how === 'drop') delete at[key];
    else if (how === 'add') at[named(put)] = put;
    else at[key] = { [named(put)]: at[key] };
    return JSON.stringify(made);
  });

/** A text with some of its bytes changed, cut or doubled. */
export const damaged = (text: fc.Arbitrary<string>) =>
  fc
    .tuple(text, fc.nat(), fc.nat(255), fc.constantFrom('change', 'cut', 'double', 'none'))
    .map(([given, at, byte, how]) => {
      const bytes = Buffer.from(given);
      const place = at % Math.max(1, bytes.length);
      if (how === 'change') bytes[place] = byte;
      if (how === 'cut') return bytes.subarray(0, place);
      return how === 'double' ? Buffer.concat([bytes, bytes]) : bytes;
    });

export const headers = fc.record(
  {
    'Content-Type': fc.constantFrom(
      'application/json',
      'text/plain',
      'application/json; charset=x',
      'font/woff2',
      '',
    ),
    'Content-Encoding': fc.constantFrom('gzip', 'br', 'deflate', 'x', 'identity'),
    'If-Match': fc.constantFrom('"1"', '"0"', '1', '"-1"', '"99999999999"', 'W/"1"', '*'),
    'Idempotency-Key': fc.constantFrom('"a-key-of-a-kind"', '"x"', 'x', '""', `"${'k'.repeat(70)}"`),
    Accept: fc.constantFrom('application/json', 'text/event-stream;q=0', 'x'),
    'Last-Event-ID': fc.constantFrom('1', 'x', '-1'),
    Range: fc.constantFrom('bytes=0-', 'bytes=-', 'bytes=5-1'),
    'Accept-Encoding': fc.constantFrom('br', '*;q=0', 'x,,;q='),
  },
  { requiredKeys: [] },
);

export const addresses = fc.constantFrom(
  ...[paths.edits(SITE), paths.edits(SITE), paths.edits(SITE), paths.edits('nowhere'), paths.ownFonts(SITE)],
  ...[
    paths.publications(SITE),
    paths.assets(SITE),
    paths.sites(),
    paths.archived('nowhere'),
    paths.previews(SITE),
    paths.page(SITE, 'home'),
    paths.asset(SITE, 'ab'.repeat(32)),
  ],
  ...[
    `${paths.steps(SITE)}?before=x`,
    `${paths.edits(SITE)}?after=-1`,
    '/api/sites/%00',
    '/api/sites/%E0%A4%A',
  ],
  ...[
    '/api/sites/__proto__',
    `/api/sites/${'a'.repeat(5000)}`,
    '/%00',
    '/../../etc/passwd',
    '//x',
    '/preview/x/',
  ],
);

/** What hostile HTML is put together from. */
export const PIECES = fc.constantFrom(
  ...[
    '<script>window.hits++</script>',
    '<img src=x onerror="window.hits++">',
    '<svg onload="window.hits++">',
    '<p>',
    '</p>',
  ],
  ...[
    '<a href="javascript:window.hits++">',
    '<a href="',
    '">',
    '<style>*{background:url(/hit)}</style>',
    '<iframe src="/hit">',
  ],
  ...[
    '<math><mtext><table><mglyph><style><img src=x onerror=window.hits++>',
    '<!--',
    '-->',
    '<![CDATA[',
    ']]>',
    '&lt;script&gt;',
  ],
  ...[
    '<b',
    ' onclick=window.hits++',
    '<template>',
    '<noscript>',
    '</noscript>',
    '<ul><li>',
    '<xmp>',
    '<title>',
    '\0',
    '<base href=//x>',
  ],
  ...[
    '<form action=/hit><input autofocus onfocus=window.hits++>',
    '<object data=/hit>',
    '<link rel=stylesheet href=/hit>',
    'words',
  ],
);
