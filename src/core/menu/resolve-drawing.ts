import type { DrawingFile, Mark } from '../plan/types.ts';
import type { Finding } from '../text/finding.ts';
import type { RuleName } from '../text/rules.ts';
import type { TargetContext } from '../target/kind.ts';
import { readTarget } from '../target/kinds/index.ts';
import { readDrawing } from './drawing.ts';

/** What hears of what is wrong. */
interface Telling {
  findings: Finding[];
  tell: (rule: RuleName, mark: Mark, message: string, remedy: string) => void;
}

/**
 * The markup of a drawing that the plan names, or null; what is wrong with it is told.
 * @param prefix of its ids, which no other drawing has
 */
export function drawingOf(
  { written, mark }: DrawingFile,
  prefix: string,
  { ground, context }: { ground: Telling; context: TargetContext },
): string | null {
  const reading = readTarget({ kind: 'file', written, mark }, context);
  if ('finding' in reading || reading.destination.kind !== 'file') {
    if ('finding' in reading) ground.findings.push(reading.finding);
    return null;
  }
  const drawing = readDrawing(context.site.text(reading.destination.path) ?? '', prefix);
  if (drawing === null)
    ground.tell('bad-icon', mark, `\`${written}\` is no drawing in SVG`, 'Save the icon as SVG, on its own.');
  return drawing;
}
