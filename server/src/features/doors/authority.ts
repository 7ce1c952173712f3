/* A small authority of this house's own, and the certificate that it signs for this machine. */
import { X509Certificate, generateKeyPairSync, randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIPv4 } from 'node:net';
import { join } from 'node:path';
import { DAY_MS } from '@hollow-bell/core/quantities';
import forge from 'node-forge';

export interface Certified {
  key: string;
  cert: string;
  /** The authority to be put on a phone; null where the certificate is the maker's own. */
  authority: string | null;
  /** The names that it is good for. */
  names: readonly string[];
}

const AUTHORITY_DAYS = 3650;
/** No longer than browsers bear. */
const LEAF_DAYS = 397;
const RENEWED_BEFORE_DAYS = 30;
const BITS = 2048;
const OWNER_ONLY = 0o600;

const { pki } = forge;
const sha256 = (): forge.md.MessageDigest => forge.md.sha256.create();

function newKey(): { privatePem: string; privateKey: forge.pki.rsa.PrivateKey; publicKey: forge.pki.rsa.PublicKey } {
  const pem = generateKeyPairSync('rsa', {
    modulusLength: BITS,
    publicKeyEncoding: { type: 'spki', format: 'pem' },
    privateKeyEncoding: { type: 'pkcs8', format: 'pem' },
  });
  return { privatePem: pem.privateKey, privateKey: pki.privateKeyFromPem(pem.privateKey), publicKey: pki.publicKeyFromPem(pem.publicKey) };
}

/** A positive number that no other certificate has. */
const serial = (): string => `00${randomBytes(16).toString('hex')}`;

function blank(publicKey: forge.pki.rsa.PublicKey, name: string, days: number, now: number): forge.pki.Certificate {
  const certificate = pki.createCertificate();
  certificate.publicKey = publicKey;
  certificate.serialNumber = serial();
  certificate.validity.notBefore = new Date(now - DAY_MS);
  certificate.validity.notAfter = new Date(now + days * DAY_MS);
  certificate.setSubject([{ name: 'commonName', value: name }]);
  return certificate;
}

/** One value as DER writes it: its tag, its length, itself. */
function der(tag: number, value: string): string {
  const { length } = value;
  const size = length < 128 ? [length] : length < 256 ? [0x81, length] : [0x82, length >> 8, length & 0xff];
  return String.fromCharCode(tag, ...size) + value;
}
const SEQUENCE = 0x30;
const PERMITTED = 0xa0;
const numberOf = (address: string): number => address.split('.').reduce((sum, part) => sum * 256 + Number(part), 0);
const bytesOf = (address: string): string => String.fromCharCode(...address.split('.').map(Number));
/** Kinds of names in a certificate. */
const IP = 7;
const DNS = 2;
/** What marks a kind as one of a list of choices. */
const CHOICE = 0x80;
const PRIVATE: readonly (readonly [address: string, mask: string])[] = [
  ['10.0.0.0', '255.0.0.0'],
  ['172.16.0.0', '255.240.0.0'],
  ['192.168.0.0', '255.255.0.0'],
  ['169.254.0.0', '255.255.0.0'],
  ['127.0.0.0', '255.0.0.0'],
];

/** Whoever steals the authority can speak for machines at home alone, and for the names that this one had. */
function onlyAtHome(names: readonly string[]): object {
  const addresses = PRIVATE.map(([address, mask]) => der(CHOICE + IP, bytesOf(address) + bytesOf(mask)));
  const others = names.filter((name) => isIPv4(name)).map((name) => der(CHOICE + IP, bytesOf(name) + bytesOf('255.255.255.255')));
  const words = ['local', ...names.filter((name) => !isIPv4(name))].map((name) => der(CHOICE + DNS, name));
  const permitted = [...addresses, ...others, ...words].map((name) => der(SEQUENCE, name)).join('');
  return { id: '2.5.29.30', critical: true, value: der(SEQUENCE, der(PERMITTED, permitted)) };
}

function makeAuthority(names: readonly string[], now: number): { key: string; cert: string } {
  const { privatePem, privateKey, publicKey } = newKey();
  const certificate = blank(publicKey, 'Hollow Bell, this house', AUTHORITY_DAYS, now);
  certificate.setIssuer(certificate.subject.attributes);
  certificate.setExtensions([
    { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
    { name: 'keyUsage', keyCertSign: true, critical: true },
    { name: 'subjectKeyIdentifier' },
    onlyAtHome(names),
  ]);
  certificate.sign(privateKey, sha256());
  return { key: privatePem, cert: pki.certificateToPem(certificate) };
}

/** A certificate for these names, by this authority. */
export function certify(authority: { key: string; cert: string }, names: readonly string[], now: number): { key: string; cert: string } {
  const { privatePem, publicKey } = newKey();
  const signer = pki.certificateFromPem(authority.cert);
  const certificate = blank(publicKey, 'Hollow Bell, this machine', LEAF_DAYS, now);
  certificate.setIssuer(signer.subject.attributes);
  certificate.setExtensions([
    { name: 'basicConstraints', cA: false },
    { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectAltName', altNames: names.map((name) => (isIPv4(name) ? { type: IP, ip: name } : { type: DNS, value: name })) },
  ]);
  certificate.sign(pki.privateKeyFromPem(authority.key), sha256());
  return { key: privatePem, cert: `${pki.certificateToPem(certificate)}${authority.cert}` };
}

function isGoodFor(cert: string, authority: string, names: readonly string[], now: number): boolean {
  const leaf = new X509Certificate(cert);
  const isLong = Date.parse(leaf.validTo) - now > RENEWED_BEFORE_DAYS * DAY_MS;
  return (
    isLong &&
    leaf.verify(new X509Certificate(authority).publicKey) &&
    names.every((name) => (isIPv4(name) ? leaf.checkIP(name) : leaf.checkHost(name)) !== undefined)
  );
}

/** Whether an authority that was made for some names may vouch for this one. */
function mayVouch(name: string, madeFor: readonly string[]): boolean {
  if (madeFor.includes(name)) return true;
  if (!isIPv4(name)) return name === 'local' || name.endsWith('.local');
  return PRIVATE.some(([address, mask]) => (numberOf(name) & numberOf(mask)) === (numberOf(address) & numberOf(mask)));
}

const read = (file: string): string | null => (existsSync(file) ? readFileSync(file, 'utf8') : null);

/**
 * The certificate for this machine, made at the first start and anew where its names changed or it runs out. The authority stays, so that
 * a phone that knows it once knows it for good; it is made anew only where it may vouch for none of the names.
 *
 * @param folder for keys; nobody else can read it
 * @param names and addresses that the certificate must be good for
 */
export function certified(folder: string, names: readonly string[], now: number): Certified {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = (name: string): string => join(folder, name);
  const kept = (name: string, text: string): string => {
    writeFileSync(file(name), text, { mode: OWNER_ONLY });
    return text;
  };
  let [key, cert] = [read(file('authority.key')), read(file('authority.crt'))];
  let madeFor = read(file('authority.names'))?.split('\n') ?? [];
  const isOver = cert !== null && Date.parse(new X509Certificate(cert).validTo) - now < LEAF_DAYS * DAY_MS;
  if (key === null || cert === null || isOver || !names.some((name) => mayVouch(name, madeFor))) {
    const made = makeAuthority(names, now);
    [key, cert] = [kept('authority.key', made.key), kept('authority.crt', made.cert)];
    madeFor = kept('authority.names', names.join('\n')).split('\n');
  }
  // One name that it may not vouch for would cost the certificate all the others.
  const good = names.filter((name) => mayVouch(name, madeFor));
  const [leafKey, leafCert] = [read(file('machine.key')), read(file('machine.crt'))];
  if (leafKey !== null && leafCert !== null && isGoodFor(leafCert, cert, good, now))
    return { key: leafKey, cert: leafCert, authority: cert, names: good };
  const leaf = certify({ key, cert }, good, now);
  return { key: kept('machine.key', leaf.key), cert: kept('machine.crt', leaf.cert), authority: cert, names: good };
}

/** SHA-256 of a certificate in pairs, as phones show it. */
export const fingerprintOf = (cert: string): string => new X509Certificate(cert).fingerprint256;
