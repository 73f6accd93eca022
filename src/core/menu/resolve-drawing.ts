import type { DrawingFile } from '../plan/types.ts';
import { readDrawing } from './drawing.ts';
import type { Ground } from './ground.ts';
import { type TargetContext, readTarget } from './targets.ts';

/**
 * The markup of a drawing that the plan names, or null; what is wrong with it is told.
 * @param prefix of its ids, which no other drawing has
 */
export function drawingOf(
  { written, mark }: DrawingFile,
  prefix: string,
  { ground, context }: { ground: Ground; context: TargetContext },
): string | null {
  const reading = readTarget({ kind: 'file', written, mark }, context);
  if ('finding' in reading || reading.destination.kind !== 'file') {
    if ('finding' in reading) ground.findings.push(reading.finding);
    return null;
  }
  const drawing = readDrawing(ground.site.text(reading.destination.path) ?? '', prefix);
  if (drawing === null)
    ground.tell('bad-icon', mark, `\`${written}\` is no drawing in SVG`, 'Save the icon as SVG, on its own.');
  return drawing;
}
