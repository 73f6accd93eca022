import type { SitePath } from '../address/path.ts';
import type { EntryFiles, PictureSources } from '../menu/types.ts';
import type { PictureState } from '../plan/picture-types.ts';
import { pictureStates } from '../plan/parts/pictures.ts';
import type { RuleName } from '../text/rules.ts';
import type { Mark } from '../text/mark.ts';
import type { ButtonPicture, ButtonPictures, Told } from './button-types.ts';
import { stripCells } from './cells.ts';
import { alikePictures, dimensions, unequalSizes } from './alike-pictures.ts';
import { type Box, type Raster, cropped } from './raster.ts';

/** A picture as it was read. */
export interface ReadPicture {
  raster: Raster;
  /** It lost something when it was saved: JPEG, and some WebP. */
  isLossy: boolean;
  /** More than one when it moves. */
  frames: number;
  bytes: number;
}

/** What pictures are read and resized with. */
export interface PictureTools {
  /** The reason, in words, where it cannot be read. */
  read: (file: SitePath, scale: 1 | 2) => Promise<ReadPicture | string>;
  resized: (raster: Raster, width: number, height: number) => Promise<Raster>;
}

export interface MadeButtons {
  buttons: ButtonPictures[];
  told: Told[];
  /** All of them are such that they lost something when they were saved. */
  isLossy: boolean;
  /** Of all files together. */
  bytes: number;
  /** The strip that they were cut from, with its cells, row by row; null for files, null for cells that are not sure. */
  strip: CutStrip | null;
}

export interface CutStrip {
  raster: Raster;
  states: readonly PictureState[];
  labels: readonly string[];
  cells: readonly (readonly Box[])[] | null;
}

/** The pictures of a menu as pixels, in the size in which they are shown; what is wrong with them is told. */
export async function buttonPictures(sources: PictureSources, tools: PictureTools): Promise<MadeButtons> {
  const maker = new ButtonMaker(sources, tools);
  await (sources.strip ? maker.strip(sources.strip) : maker.files());
  maker.tell();
  return maker.made;
}

class ButtonMaker {
  readonly made: MadeButtons = {
    buttons: [],
    told: [],
    isLossy: true,
    bytes: 0,
    strip: null,
  };
  readonly #sources: PictureSources;
  readonly #tools: PictureTools;
  readonly #read = new Map<SitePath, Promise<ReadPicture | null>>();
  /** Larger than they are shown, by what they are saved as. */
  readonly #large = new Map<SitePath, { is: Raster; fits: { width: number; height: number }; mark: Mark }>();
  readonly #small = new Map<SitePath, { is: Raster; mark: Mark }>();

  constructor(sources: PictureSources, tools: PictureTools) {
    this.#sources = sources;
    this.#tools = tools;
  }

  #tell(rule: RuleName, mark: Mark, message: string, remedy: string): void {
    this.made.told.push({ rule, mark, message, remedy });
  }

  async files(): Promise<void> {
    for (const entry of this.#sources.entries) {
      const states: ButtonPictures['states'] = {};
      for (const state of pictureStates) {
        const made = entry.files[state] && (await this.#one(entry.files[state]));
        if (made) states[state] = made;
      }
      const { hook, label } = entry;
      if (states.base) this.made.buttons.push({ hook, label, states });
    }
  }

  async #one({ path, dense, mark }: NonNullable<EntryFiles['files']['base']>): Promise<ButtonPicture | null> {
    const one = await this.#picture(path, mark);
    const two = dense === null ? null : await this.#picture(dense, mark);
    if (!one) return null;
    return this.#shown(path, one.raster, two?.raster ?? null, mark);
  }

  /** In the size in which it is shown: never larger than it is. */
  async #shown(file: SitePath, one: Raster, two: Raster | null, mark: Mark): Promise<ButtonPicture> {
    const { height } = this.#sources;
    const natural = height === null || one.height === height ? null : height;
    const isVector = /\.svg$/i.test(file);
    if (natural === null || (one.height < natural && !isVector)) {
      if (natural !== null) this.#small.set(file, { is: one, mark });
      else if (one.height > mostHeight || one.width > mostWidth) this.#tellHuge(file, one, mark);
      return { file, one, two: two && (await this.#twice(file, one, two, mark)) };
    }
    const width = Math.max(1, Math.round((one.width * natural) / one.height));
    const best = two ?? one;
    const resized = (times: number): Promise<Raster> =>
      this.#tools.resized(best, width * times, natural * times);
    if (one.height > natural * 3 && !isVector)
      this.#large.set(file, { is: one, fits: { width: width * 2, height: natural * 2 }, mark });
    return { file, one: await resized(1), two: best.height > natural * 1.25 ? await resized(2) : null };
  }

  async #twice(file: SitePath, one: Raster, two: Raster, mark: Mark): Promise<Raster> {
    const [width, height] = [one.width * 2, one.height * 2];
    if (two.width === width && two.height === height) return two;
    if (!/\.svg$/i.test(file))
      this.#tell(
        'picture-size',
        mark,
        `the picture of \`${file}\` for dense screens is ${dimensions(two)}, and twice the other is ${width} x ${height}`,
        `Save it again as ${width} x ${height} px.`,
      );
    return this.#tools.resized(two, width, height);
  }

  #tellHuge(file: SitePath, one: Raster, mark: Mark): void {
    this.#tell(
      'picture-size',
      mark,
      `\`${file}\` is ${dimensions(one)}, and is shown so large`,
      'Say how high the buttons are:  height: 44px   then it is made smaller, and serves dense screens.',
    );
  }

  async strip(strip: NonNullable<PictureSources['strip']>): Promise<void> {
    const { file, dense, states, columns, widths, heights, gap, mark } = strip;
    const one = await this.#picture(file, mark);
    if (!one) return;
    const two = dense === null ? null : await this.#picture(dense, mark);
    const found = stripCells(one.raster, {
      ...{ columns: columns.length, rows: states.length, widths, heights, gap },
    });
    const labels = columns.map(({ label }) => label);
    const cells = 'unsure' in found ? null : found.cells;
    this.made.strip = { raster: one.raster, states, labels, cells };
    if ('unsure' in found) return this.#tell('unsure-cells', mark, found.unsure, found.remedy);
    const isTwice = two?.raster.width === one.raster.width * 2 && two.raster.height === one.raster.height * 2;
    if (two && !isTwice)
      this.#tell(
        'picture-size',
        mark,
        `the strip for dense screens is ${dimensions(two.raster)}, and twice the other is ${one.raster.width * 2} x ${one.raster.height * 2}; it is not used`,
        'Save it again in that size.',
      );
    for (const [at, { hook, label }] of columns.entries()) {
      const all: ButtonPictures['states'] = {};
      for (const [row, state] of states.entries()) {
        const { x, y, width, height } = found.cells[row]![at]!;
        const box = { x: x * 2, y: y * 2, width: width * 2, height: height * 2 };
        const large = two && isTwice ? cropped(two.raster, box) : null;
        all[state] = await this.#shown(file, cropped(one.raster, { x, y, width, height }), large, mark);
      }
      this.made.buttons.push({ hook, label, states: all });
    }
  }

  /** A picture, read once. */
  #picture(path: SitePath, mark: Mark): Promise<ReadPicture | null> {
    const known = this.#read.get(path) ?? this.#open(path, mark);
    this.#read.set(path, known);
    return known;
  }

  async #open(path: SitePath, mark: Mark): Promise<ReadPicture | null> {
    const isDense = /@2x\.svg$/i.test(path);
    const read = await this.#tools.read(path, isDense ? 2 : 1);
    if (typeof read === 'string') {
      this.#tell(
        'bad-picture',
        mark,
        `\`${path}\` cannot be read as a picture: ${read}`,
        'Save it again, as PNG, or take it out.',
      );
      return null;
    }
    this.made.bytes += read.bytes;
    this.made.isLossy &&= read.isLossy;
    if (read.frames > 1)
      this.#tell(
        'moving-picture',
        mark,
        `\`${path}\` moves; the first of its ${read.frames} pictures is shown`,
        'Save that one on its own, as PNG.',
      );
    return read;
  }

  /** What can be told once all have been read. */
  tell(): void {
    const { made } = this;
    const markOf = (hook: string, state: PictureState): Mark => this.#markOf(hook, state);
    this.#tellScale();
    if (!this.#sources.strip) made.told.push(...unequalSizes(made.buttons, markOf));
    made.told.push(...alikePictures(made.buttons, markOf, this.#sources.strip !== null));
  }

  #tellScale(): void {
    for (const [file, { is, fits, mark }] of this.#large)
      this.#tell(
        'picture-size',
        mark,
        `\`${file}\` is ${dimensions(is)}, far larger than it is shown`,
        `Save it as ${dimensions(fits)}, or let Kamino:  kamino pictures --resize FOLDER`,
      );
    for (const [file, { is, mark }] of this.#small)
      this.#tell(
        'picture-size',
        mark,
        `\`${file}\` is ${dimensions(is)}, lower than ${this.#sources.height} px; it is not stretched`,
        `Draw it ${this.#sources.height} px high, or write  height: ${is.height}px`,
      );
  }

  #markOf(hook: string, state: PictureState): Mark {
    const entry = this.#sources.entries.find(one => one.hook === hook);
    return entry?.files[state]?.mark ?? this.#sources.strip?.mark ?? this.#sources.mark;
  }
}

/** Larger ones are no buttons of a menu. In px. */
const mostHeight = 200;
const mostWidth = 480;
