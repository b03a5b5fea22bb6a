import type { Asset } from '../../core/index.ts';

/** What the types of files are called. */
export const TYPES: Record<Asset['type'], string> = {
  'image/jpeg': 'JPEG image',
  'image/png': 'PNG image',
  'image/webp': 'WebP image',
  'image/avif': 'AVIF image',
  'image/gif': 'GIF image',
  'image/svg+xml': 'SVG drawing',
  'video/mp4': 'MP4 video',
  'video/webm': 'WebM video',
  'application/pdf': 'PDF document',
  'text/vtt': 'WebVTT captions',
};
