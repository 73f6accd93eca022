import type { Look, LookUse, Plan } from '../plan/types.ts';
import type { Resolution } from './resolve.ts';

/** The same menus with the looks of another plan, whose menus and entries are those of this one. */
export function withLooks(resolution: Resolution, plan: Plan): Resolution {
  const lookOf = (use: LookUse | null): Look | null =>
    use === null ? null : 'name' in use ? (plan.looks.get(use.name) ?? null) : use;
  const uses = new Map(plan.menus.map(({ name, look }) => [name, look]));
  const menus = resolution.menus.map(menu =>
    uses.has(menu.name) ? { ...menu, look: lookOf(uses.get(menu.name)!) } : menu,
  );
  return { ...resolution, menus, look: lookOf(plan.look) };
}
