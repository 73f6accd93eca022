/** A picture as pixels: four bytes each, red, green, blue and how far it covers; rows from above. */
export interface Raster {
  width: number;
  height: number;
  data: Uint8Array;
}

/** A part of a picture, in px from its left and upper edge. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export function emptyRaster(width: number, height: number): Raster {
  return { width, height, data: new Uint8Array(width * height * 4) };
}

/** A part of a picture; what lies outside of it is transparent. */
export function cropped(from: Raster, { x, y, width, height }: Box): Raster {
  const made = emptyRaster(width, height);
  paste(made, from, -x, -y);
  return made;
}

/** Lays a picture into another one, pixel by pixel. */
export function paste(onto: Raster, from: Raster, x: number, y: number): void {
  const left = Math.max(0, x);
  const right = Math.min(onto.width, x + from.width);
  if (right <= left) return;
  for (let row = Math.max(0, y); row < Math.min(onto.height, y + from.height); row += 1) {
    const start = ((row - y) * from.width + left - x) * 4;
    onto.data.set(from.data.subarray(start, start + (right - left) * 4), (row * onto.width + left) * 4);
  }
}

/** Whether two pictures are the same, but for colours that nobody sees. */
export function sameRaster(one: Raster, other: Raster): boolean {
  if (one.width !== other.width || one.height !== other.height) return false;
  for (let at = 0; at < one.data.length; at += 4) {
    if (one.data[at + 3] !== other.data[at + 3]) return false;
    if (one.data[at + 3] === 0) continue;
    for (let part = 0; part < 3; part += 1) if (one.data[at + part] !== other.data[at + part]) return false;
  }
  return true;
}
