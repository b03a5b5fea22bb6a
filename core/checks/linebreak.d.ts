/** The package comes without types. */
declare module 'linebreak' {
  export default class LineBreaker {
    constructor(text: string);
    /** The next place at which a line may break; null after the last. */
    nextBreak(): { position: number; required: boolean } | null;
  }
}
