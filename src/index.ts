/**
 * Kamino for other programs: the jobs that the commands do, and the main functions of the core.
 */
export { run } from './cli/run.ts';
export type { Io } from './cli/io.ts';
export { build } from './jobs/build.ts';
export type { BuildOptions, BuildResult } from './jobs/build.ts';
export { demo, verify, type DemoResult } from './jobs/demo.ts';
export type { Verification } from './core/check/verify.ts';
export { check, type CheckOptions, type CheckResult } from './jobs/check.ts';
export { draft, type DraftOptions, type DraftResult } from './jobs/draft.ts';
export { editEntry, type EntryEdit, type EntryOptions, type EntryResult } from './jobs/entry.ts';
export { explain, manualNames, type ExplainResult } from './jobs/explain.ts';
export type { ManualPage, Example } from './core/manual/types.ts';
export { planSchemaOf } from './core/manual/schema.ts';
export { measure, type MeasureOptions, type MeasureResult, type MeasuredMenu } from './jobs/measure.ts';
export { specimen, type SpecimenOptions, type SpecimenResult } from './jobs/specimen.ts';
export { preview, type Preview, type PreviewOptions } from './jobs/preview.ts';
export { map, type MapOptions, type MapResult } from './jobs/map.ts';
export { reachMap, type ReachFormat, type ReachMap } from './jobs/reach.ts';
export { embed, type EmbedOptions, type EmbedResult } from './jobs/embed.ts';
export { pack, type PackOptions, type PackResult } from './jobs/pack.ts';
export { takeBack, type TakeBackOptions, type TakeBackResult } from './jobs/take-back.ts';
export { walk, type WalkOptions, type WalkResult } from './jobs/walk.ts';
export { inventory, type Inventory, type InventoryPage } from './jobs/inventory.ts';
export { version } from './files/version.ts';
export { readPlan, type PlanReading } from './core/plan/read.ts';
export type { Plan } from './core/plan/types.ts';
export { Source } from './core/text/source.ts';
export { bytesOf, rawOf, splice, type Raw, type Span } from './core/text/bytes.ts';
export type { Finding } from './core/text/finding.ts';
export { renderFinding } from './core/text/render.ts';
export type { FullPage } from './core/page/content.ts';
export { readFull } from './core/page/full.ts';
export { Inlayer } from './core/inlay/inlay.ts';
export type { Inlay, Inlaying } from './core/inlay/inlaying.ts';
export { lift as liftPage, keepMenus } from './core/inlay/lift.ts';
export { lift, type LiftOptions, type LiftResult } from './jobs/lift.ts';
