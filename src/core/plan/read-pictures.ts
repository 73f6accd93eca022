import { type WrittenPictures, type WrittenStrip, pictureStates } from './parts/pictures.ts';
import type { MenuPictures, PictureFile, PictureOrigin, PictureState, Strip } from './picture-types.ts';
import type { PlanPath, PlanPlaces } from './places.ts';

/** The pictures of a menu; null where it is not said where they come from, which is told. */
export function readPictures(
  written: WrittenPictures,
  path: PlanPath,
  places: PlanPlaces,
): MenuPictures | null {
  const origin = originOf(written, path, places);
  if (origin === null) return null;
  const words = Object.fromEntries(
    pictureStates.map(state => [state, written.words?.[state] ?? [state]]),
  ) as unknown as MenuPictures['words'];
  if (written.words && origin.kind !== 'pattern')
    places.tellKey(
      'no-effect',
      [...path, 'words'],
      '`words` are those of file names, and no pattern of names is given',
      'Take it out, or write  files: "buttons/{entry}-{state}.png"',
    );
  return {
    menu: written.menu,
    origin,
    words,
    height: written.height === undefined ? null : parseInt(written.height, 10),
    currentChanges: written['current-hover'] === 'changes',
    inFold: written.folded === 'pictures',
    mark: places.mark([...path, 'menu']),
  };
}

function originOf(written: WrittenPictures, path: PlanPath, places: PlanPlaces): PictureOrigin | null {
  if (written.strip) return { kind: 'strip', strip: stripOf(written.strip, [...path, 'strip'], places) };
  if (written.entries) return { kind: 'table', rows: rowsOf(written.entries, [...path, 'entries'], places) };
  if (written.files === undefined) return null;
  const at = [...path, 'files'];
  const pattern = places.slashes(written.files, at);
  const unknown = [...pattern.matchAll(/\{([^}]*)\}/g)].find(
    ([, name]) => !['entry', 'state', 'language'].includes(name!),
  );
  if (!pattern.includes('{entry}') || unknown) {
    const what = unknown ? `\`${unknown[0]}\` stands for nothing` : 'no entry is told from the others';
    places.tell(
      'wrong-value',
      at,
      `${what}; \`{entry}\`, \`{state}\` and \`{language}\` do`,
      'For example  files: "buttons/{entry}-{state}.png"',
    );
    return null;
  }
  return { kind: 'pattern', pattern: pattern.replace(/^\.?\//, ''), mark: places.mark(at) };
}

function rowsOf(
  written: NonNullable<WrittenPictures['entries']>,
  path: PlanPath,
  places: PlanPlaces,
): Extract<PictureOrigin, { kind: 'table' }>['rows'] {
  return Object.entries(written).map(([entry, files]) => {
    const here = [...path, entry];
    const all: Partial<Record<PictureState, string>> = typeof files === 'string' ? { base: files } : files;
    const pairs = Object.entries(all).map(([state, file]): [string, PictureFile] => {
      const at = typeof files === 'string' ? here : [...here, state];
      return [state, { written: places.slashes(file, at), mark: places.mark(at) }];
    });
    return { entry, mark: places.mark(here), files: Object.fromEntries(pairs) };
  });
}

function stripOf(written: WrittenStrip, path: PlanPath, places: PlanPlaces): Strip {
  const at = [...path, 'file'];
  const px = (all: readonly string[] | undefined): number[] | null =>
    all?.map(one => parseInt(one, 10)) ?? null;
  if (written.gap !== undefined && !written.widths && !written.heights)
    places.tellKey(
      'no-effect',
      [...path, 'gap'],
      '`gap` lies between columns and rows whose measures are written, and none are',
      'Write  widths  beside it, or take it out: the cells are found by themselves.',
    );
  return {
    file: { written: places.slashes(written.file, at), mark: places.mark(at) },
    states: written.states,
    entries:
      written.entries?.map((one, number) => ({
        written: one,
        mark: places.mark([...path, 'entries', number]),
      })) ?? null,
    from: written.from,
    widths: px(written.widths),
    heights: px(written.heights),
    gap: written.gap === undefined ? 0 : parseInt(written.gap, 10),
    mark: places.mark(path),
  };
}
