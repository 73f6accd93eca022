import { readFileSync } from 'node:fs';
import { imageSize } from 'image-size';

/** Width and height of a picture in px; null where the file does not say, or cannot be read. */
export function pictureSize(file: string): { width: number; height: number } | null {
  try {
    const { width, height } = imageSize(readFileSync(file));
    return width > 0 && height > 0 ? { width: Math.round(width), height: Math.round(height) } : null;
  } catch {
    return null;
  }
}
