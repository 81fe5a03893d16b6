import { networkInterfaces } from 'node:os';
import type { ShowAddress } from '@lyvek/api';

/** Where this machine can be reached, by the names of its network interfaces; itself last. */
export function listAddresses(): ShowAddress[] {
  const all = Object.entries(networkInterfaces()).flatMap(([name, list]) =>
    (list ?? [])
      .filter((a) => a.family === 'IPv4')
      .map((a) => ({ name, address: a.address, own: a.internal })),
  );
  return all.sort((a, b) => Number(a.own) - Number(b.own));
}
