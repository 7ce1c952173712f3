import { hostname, networkInterfaces } from 'node:os';

/** Names and addresses under which this machine is found in the house, best first. */
export function houseNames(): string[] {
  const addresses = Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
  const name = hostname().toLowerCase();
  return [...addresses, ...(name === '' || name === 'localhost' ? [] : [name, ...(name.includes('.') ? [] : [`${name}.local`])])];
}
