import type { Asset } from '../../core/index.ts';

/** What the types of files are called. */
export const TYPES: Record<Asset['type'], string> = {
  'image/jpeg': 'JPEG picture',
  'image/png': 'PNG picture',
  'image/webp': 'WebP picture',
  'image/avif': 'AVIF picture',
  'image/gif': 'GIF picture',
  'image/svg+xml': 'SVG drawing',
  'video/mp4': 'MP4 film',
  'video/webm': 'WebM film',
  'application/pdf': 'PDF document',
  'text/vtt': 'WebVTT captions',
};
