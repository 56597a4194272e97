import { BlockList, isIP } from 'node:net';
import { HttpProblem } from '../http/problem.js';

const family = (address: string): 'ipv4' | 'ipv6' => (isIP(address) === 6 ? 'ipv6' : 'ipv4');

/** Loopback and private networks (RFC 1918, RFC 4193, RFC 4291); link-local ones are where clouds keep their secrets, and left out. */
const own = new BlockList();
own.addSubnet('127.0.0.0', 8, 'ipv4');
own.addSubnet('10.0.0.0', 8, 'ipv4');
own.addSubnet('172.16.0.0', 12, 'ipv4');
own.addSubnet('192.168.0.0', 16, 'ipv4');
own.addAddress('::1', 'ipv6');
own.addSubnet('fc00::', 7, 'ipv6');

/** First address and length of a network written as 192.168.1.0/24, or of one address. */
function partsOf(network: string): { readonly address: string; readonly prefix: number } {
  const [address = '', prefix] = network.split('/');
  return { address, prefix: prefix === undefined ? (family(address) === 'ipv6' ? 128 : 32) : Number(prefix) };
}

/** The least length of a network of which every address is loopback or private. */
const leastPrefix = (address: string): number =>
  family(address) === 'ipv6'
    ? address.startsWith('::')
      ? 128
      : 7
    : address.startsWith('192.168.')
      ? 16
      : address.startsWith('172.')
        ? 12
        : 8;

/** Is it a network of this machine or of a house, whole? */
export function isOwnNetwork(network: string): boolean {
  const { address, prefix } = partsOf(network);
  return own.check(address, family(address)) && prefix >= leastPrefix(address);
}

/**
 * Refuses an address that no owner allowed, or that is none of a house. Addresses are numbers: no name is looked up, so none can turn out to
 * be another one later.
 *
 * @throws HttpProblem 403 in words
 */
export function checkAllowed(host: string, networks: readonly string[]): void {
  const allowed = new BlockList();
  for (const network of networks.filter(isOwnNetwork)) {
    const { address, prefix } = partsOf(network);
    allowed.addSubnet(address, prefix, family(address));
  }
  if (isIP(host) === 0 || !own.check(host, family(host)) || !allowed.check(host, family(host)))
    throw new HttpProblem(
      403,
      'Not an allowed address',
      networks.length === 0
        ? 'No network is allowed yet: an owner says in which networks the server may ask devices.'
        : `${host} is in none of the networks an owner allowed: ${networks.join(', ')}.`,
    );
}
