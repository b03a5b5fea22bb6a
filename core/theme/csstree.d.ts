/** The parts of css-tree that are used alone; its types describe only the whole. */
declare module 'css-tree/lexer' {
  export class Lexer {
    constructor(config: { generic: boolean; types: Readonly<Record<string, string>> });
    matchType(type: string, value: string): { error: Error | null };
  }
}
declare module 'css-tree/tokenizer' {
  export { tokenize } from 'css-tree';
  export { tokenTypes } from 'css-tree';
}
