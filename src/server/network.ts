import { networkInterfaces } from 'node:os';

/** The address of this machine in its network. */
export function lanHost(): string | null {
  const all = Object.values(networkInterfaces()).flatMap(one => one ?? []);
  return all.find(one => one.family === 'IPv4' && !one.internal)?.address ?? null;
}
