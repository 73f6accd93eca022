import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type sharpPackage from 'sharp';
import type { PictureTools, ReadPicture } from '../core/look/button-pictures.ts';
import type { Raster } from '../core/look/raster.ts';

export type Sharp = typeof sharpPackage;

/** A larger picture is no button: it would fill the memory. */
const mostPixels = 40_000_000;

/** What reads, resizes and writes pictures; null where it is not installed. */
export async function openSharp(): Promise<Sharp | null> {
  try {
    return (await import('sharp')).default;
  } catch {
    return null;
  }
}

/** Reads pictures of a folder. @param onDisk paths whose names are not in Unicode’s composed form on the disk */
export function pictureTools(sharp: Sharp, root: string, onDisk: ReadonlyMap<string, string>): PictureTools {
  return {
    read: (file, scale) => readPicture(sharp, join(root, onDisk.get(file) ?? file), scale),
    resized: async ({ width, height, data }, toWidth, toHeight) =>
      rasterOf(
        sharp(data, { raw: { width, height, channels: 4 } }).resize(toWidth, toHeight, { fit: 'fill' }),
      ),
  };
}

async function readPicture(sharp: Sharp, path: string, scale: 1 | 2): Promise<ReadPicture | string> {
  try {
    const bytes = readFileSync(path);
    const options = { limitInputPixels: mostPixels, failOn: 'truncated', density: 72 * scale } as const;
    const { format, pages = 1 } = await sharp(bytes, options).metadata();
    const raster = await rasterOf(sharp(bytes, options).autoOrient());
    const isLossy = format === 'jpeg' || (format === 'webp' && bytes.includes('VP8 '));
    return {
      raster,
      isLossy,
      frames: format === 'gif' || format === 'webp' ? pages : 1,
      bytes: bytes.length,
    };
  } catch (error) {
    return reasonOf(error instanceof Error ? error.message : String(error));
  }
}

async function rasterOf(image: ReturnType<Sharp>): Promise<Raster> {
  const { data, info } = await image
    .toColourspace('srgb')
    .ensureAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data };
}

/** What went wrong, in words for people. */
function reasonOf(message: string): string {
  if (/pixel limit/i.test(message)) return 'it has more than 40 million pixels';
  if (/unsupported image format|Input buffer contains/i.test(message))
    return 'it is of no kind of picture that is known here';
  if (
    /^\w+load|premature end|end of stream|truncated|read error|corrupt|bad|invalid|unexpected|zlib|EOF/i.test(
      message,
    )
  )
    return 'it is damaged or cut off';
  return message.split('\n')[0]!;
}

/** A picture in the smallest of the formats that keep every pixel; with `isLossy` in one that is as good to the eye. */
export async function encoded(
  sharp: Sharp,
  { width, height, data }: Raster,
  isLossy: boolean,
): Promise<{ bytes: Uint8Array; ending: 'png' | 'webp' }> {
  const image = (): ReturnType<Sharp> => sharp(data, { raw: { width, height, channels: 4 } });
  const png = await image().png({ compressionLevel: 9 }).toBuffer();
  const webp = await image().webp({ lossless: true, effort: 4 }).toBuffer();
  const all = [
    { bytes: png, ending: 'png' as const },
    { bytes: webp, ending: 'webp' as const },
    ...(isLossy
      ? [
          {
            bytes: await image().webp({ quality: 88, alphaQuality: 100, effort: 4 }).toBuffer(),
            ending: 'webp' as const,
          },
        ]
      : []),
  ];
  return all.reduce((best, one) => (one.bytes.length < best.bytes.length ? one : best));
}

/** A drawing as a picture. @param scale 2 for dense screens */
export function fromSvg(sharp: Sharp, svg: string, scale: 1 | 2): Promise<Buffer> {
  return sharp(Buffer.from(svg), { density: 72 * scale })
    .png({ compressionLevel: 9 })
    .toBuffer();
}

export function asPng(sharp: Sharp, { width, height, data }: Raster): Promise<Buffer> {
  return sharp(data, { raw: { width, height, channels: 4 } })
    .png({ compressionLevel: 9 })
    .toBuffer();
}
