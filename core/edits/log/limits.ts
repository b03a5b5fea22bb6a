/** What one edit may hold, as the browser and the server both know it. */
export const LIMITS = {
  /** Bytes of one request's body. */
  request: 2_000_000,
  /** Operations of one request. What is larger goes in parts. */
  operations: 5000,
  /** Parts of one edit. */
  parts: 50,
  /** Characters of a path. */
  path: 400,
  /** Characters of the sentence that names a step. */
  sentence: 500,
  /** Characters of the name by which somebody is known to others. */
  person: 60,
  /** Steps of the history that are given at once. */
  steps: 100,
  /** Bytes of a font file. */
  font: 4_000_000,
  /** Bytes of an image or film. */
  asset: 50_000_000,
  /** Px of each side of an image or video. */
  side: 16_384,
  /** Px of an image, all its frames together. */
  pixels: 40_000_000,
  /** Bytes of a site file, with its images, videos and fonts in it. */
  siteFile: 100_000_000,
  /** ms; how long a site that was archived can be had back: thirty days. */
  keptAway: 30 * 86_400_000,
} as const;

/** Half a surrogate pair, and NUL: no text of Unicode holds the one, and PostgreSQL keeps neither. */
const UNKEEPABLE = /[\0\p{Surrogate}]/u;

/** Whether a value of the model holds only text that can be kept. */
export function isKeepable(value: unknown): boolean {
  if (typeof value === 'string') return !UNKEEPABLE.test(value);
  if (typeof value !== 'object' || value === null) return true;
  return Object.entries(value).every(([key, inner]) => isKeepable(key) && isKeepable(inner));
}

/** A sentence that is short enough to be kept. */
export function shortened(sentence: string): string {
  const characters = [...sentence];
  return sentence.length <= LIMITS.sentence
    ? sentence
    : `${characters.slice(0, LIMITS.sentence / 2 - 1).join('')}…`;
}
