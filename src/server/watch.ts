import { sep } from 'node:path';
import { watch } from 'chokidar';

/** So many ms after the last of several changes at once. */
const pause = 30;

/**
 * Calls back when files of a folder, or other files, have changed.
 * @param isLeft whether a path, seen from the folder and with `/`, is passed over
 */
export function watchFiles(
  folder: string,
  others: readonly string[],
  { isLeft, onChange }: { isLeft: (path: string) => boolean; onChange: (paths: ReadonlySet<string>) => void },
): { ready: Promise<void>; close: () => Promise<void> } {
  let timer: NodeJS.Timeout | null = null;
  let changed = new Set<string>();
  const watcher = watch([folder, ...others], {
    ignoreInitial: true,
    followSymlinks: false,
    ignored: path =>
      path.startsWith(`${folder}${sep}`) &&
      isLeft(
        path
          .slice(folder.length + 1)
          .split(sep)
          .join('/'),
      ),
  });
  watcher.on('all', (_, path) => {
    changed.add(path);
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => {
      const paths = changed;
      changed = new Set();
      onChange(paths);
    }, pause);
  });
  return {
    ready: new Promise(resolve => {
      watcher.once('ready', () => {
        resolve();
      });
    }),
    close: async () => {
      if (timer) clearTimeout(timer);
      await watcher.close();
    },
  };
}
