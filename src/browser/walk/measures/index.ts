import type { Visitor } from '../../../core/walk/visitors.ts';
import { closing } from './closing.ts';
import { comingBack } from './coming-back.ts';
import { closedAndOpen } from './closed-and-open.ts';
import { contrast } from './contrast.ts';
import type { Measure } from './measure.ts';
import { motion } from './motion.ts';
import { paper } from './paper.ts';
import { resizing } from './resizing.ts';
import { shifting } from './shifting.ts';
import { sideways } from './sideways.ts';
import { spacing } from './spacing.ts';
import { spoken } from './spoken.ts';
import { states } from './states.ts';
import { sweeping } from './sweeping.ts';
import { targets } from './targets.ts';

/** What each visitor’s window shows beside the way to places. */
const byVisitor: Readonly<Record<string, readonly Measure[]>> = {
  mouse: [
    shifting,
    closedAndOpen(targets, contrast, spacing),
    states,
    closing,
    comingBack,
    resizing,
    sweeping,
  ],
  keyboard: [closing, spoken],
  touch: [shifting, closing, comingBack, resizing, closedAndOpen(targets, sideways)],
  'narrow-keyboard': [closing, spoken],
  zoomed: [closedAndOpen(sideways, spacing)],
  'large-text': [closedAndOpen(sideways)],
  calm: [motion],
  'forced-colors': [states],
  'right-to-left': [closedAndOpen(sideways), closing],
  'no-script': [closedAndOpen(sideways)],
  'lost-script': [closedAndOpen(sideways)],
  'lost-style': [closedAndOpen(sideways)],
  paper: [paper],
};

export function measuresOf({ name }: Visitor): readonly Measure[] {
  return byVisitor[name] ?? [];
}
