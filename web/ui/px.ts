/** A number of px that was typed, with or without its unit; NaN where it is none. */
export function pxIn(text: string): number {
  const digits = text.replace(/px/i, '').replace(',', '.').trim();
  return digits === '' ? NaN : Number(digits);
}
