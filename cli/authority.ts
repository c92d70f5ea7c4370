import { webcrypto, X509Certificate } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { BlockList, isIP } from "node:net";
import { join } from "node:path";

/**
 * The garden's own authority: made once, kept in the garden's folder, trusted by the household's phones. It can vouch
 * for addresses at home only (RFC 5280, name constraints), so that a stolen key opens nothing else.
 */

/** What makes certificates, loaded only when one is made: most starts find them there. */
async function maker() {
  await import("reflect-metadata");
  const [
    x509,
    { AsnConvert },
    { GeneralName, GeneralSubtree, GeneralSubtrees, id_ce_nameConstraints, NameConstraints },
  ] = await Promise.all([import("@peculiar/x509"), import("@peculiar/asn1-schema"), import("@peculiar/asn1-x509")]);
  return { ...x509, AsnConvert, GeneralName, GeneralSubtree, GeneralSubtrees, id_ce_nameConstraints, NameConstraints };
}
type Maker = Awaited<ReturnType<typeof maker>>;

const { subtle } = webcrypto;
const ALGORITHM = { name: "ECDSA", namedCurve: "P-256", hash: "SHA-256" } as const;
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Phones refuse certificates for longer than 825 days (Apple, from memory); a shorter one is made anew in time. */
const CERTIFICATE_DAYS = 390;
const RENEW_DAYS = 40;
/** Networks that no one outside a home uses (RFC 1918, link-local), and this machine itself. */
const HOME_NETWORKS = ["10.0.0.0/8", "172.16.0.0/12", "192.168.0.0/16", "169.254.0.0/16", "127.0.0.0/8"];

export type KeyAndCertificate = { key: string; certificate: string };
/** The authority, and the networks that it may vouch for: "192.168.0.0/16". */
type Authority = KeyAndCertificate & { networks: string[] };

const folder = (dataDir: string): string => join(dataDir, "encryption");
const kept = <T>(dataDir: string, name: string): T | null => {
  const path = join(folder(dataDir), `${name}.json`);
  return existsSync(path) ? (JSON.parse(readFileSync(path, "utf8")) as T) : null;
};
function keep<T>(dataDir: string, name: string, value: T): T {
  mkdirSync(folder(dataDir), { recursive: true, mode: 0o700 });
  const path = join(folder(dataDir), `${name}.json`);
  writeFileSync(`${path}.part`, JSON.stringify(value), { mode: 0o600, flush: true });
  renameSync(`${path}.part`, path);
  return value;
}

const keyPair = () => subtle.generateKey(ALGORITHM, true, ["sign", "verify"]);
const pemOf = async (m: Maker, key: webcrypto.CryptoKey): Promise<string> =>
  m.PemConverter.encode(await subtle.exportKey("pkcs8", key), "PRIVATE KEY");
const keyOf = (m: Maker, pem: string) =>
  subtle.importKey("pkcs8", m.PemConverter.decodeFirst(pem), ALGORITHM, true, ["sign"]);
/** Sixteen bytes by chance, positive: browsers refuse a negative serial number (RFC 5280, 4.1.2.2). */
const serial = (): string =>
  `4${Buffer.from(webcrypto.getRandomValues(new Uint8Array(16)))
    .toString("hex")
    .slice(1)}`;

/** Names and networks at home, and nothing else: what the authority may vouch for. */
function homeOnly(m: Maker, names: readonly string[], networks: readonly string[]) {
  const at = [...names.map((dNSName) => ({ dNSName })), ...networks.map((iPAddress) => ({ iPAddress }))];
  const permitted = at.map((base) => new m.GeneralSubtree({ base: new m.GeneralName(base) }));
  const constraints = new m.NameConstraints({ permittedSubtrees: new m.GeneralSubtrees(permitted) });
  return new m.Extension(m.id_ce_nameConstraints, true, m.AsnConvert.serialize(constraints));
}

/** Names of this machine at home: its own, the one that the home network answers to, and what it calls itself. */
const namesOf = (host: string): string[] => [...new Set(["localhost", host, `${host}.local`])];

/** The network that an address with its prefix lies in. @example networkOf("192.0.2.7/24") // "192.0.2.0/24" */
export function networkOf(cidr: string): string {
  const [address, prefix] = cidr.split("/") as [string, string];
  const number = address.split(".").reduce((sum, part) => sum * 256 + Number(part), 0);
  const size = 2 ** (32 - Number(prefix));
  const first = Math.floor(number / size) * size;
  return `${[24, 16, 8, 0].map((shift) => Math.floor(first / 2 ** shift) % 256).join(".")}/${prefix}`;
}

/** Those of some addresses that lie in some networks. */
export function within(addresses: readonly string[], networks: readonly string[]): string[] {
  const list = new BlockList();
  for (const network of networks) {
    const [address, prefix] = network.split("/") as [string, string];
    list.addSubnet(address, Number(prefix));
  }
  return addresses.filter((address) => list.check(address));
}

/**
 * The authority of a garden's folder, made when there is none.
 * @param host the machine's name
 * @param own networks that the machine is part of when it is made, beside those that every home may have
 */
async function authorityOf(dataDir: string, host: string, own: readonly string[], nowMs: number): Promise<Authority> {
  const known = kept<Authority>(dataDir, "authority");
  if (known) return known;
  const networks = [...new Set([...HOME_NETWORKS, ...own])];
  const m = await maker();
  const keys = await keyPair();
  const certificate = await m.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: [{ CN: [`Akmedon at ${host}`] }],
    notBefore: new Date(nowMs - DAY_MS),
    notAfter: new Date(nowMs + AUTHORITY_DAYS * DAY_MS),
    keys,
    signingAlgorithm: ALGORITHM,
    extensions: [
      new m.BasicConstraintsExtension(true, 0, true),
      new m.KeyUsagesExtension(m.KeyUsageFlags.keyCertSign | m.KeyUsageFlags.cRLSign, true),
      await m.SubjectKeyIdentifierExtension.create(keys.publicKey),
      homeOnly(m, namesOf(host), networks),
    ],
  });
  const key = await pemOf(m, keys.privateKey);
  return keep(dataDir, "authority", { key, certificate: certificate.toString("pem"), networks });
}

/** Whether a kept certificate still vouches for these addresses, by this authority, and for long enough. */
function stillGood(known: KeyAndCertificate, authority: string, names: readonly string[], nowMs: number): boolean {
  const certificate = new X509Certificate(known.certificate);
  const said = names.map((name) => `${isIP(name) ? "IP Address" : "DNS"}:${name}`).join(", ");
  return (
    certificate.checkIssued(new X509Certificate(authority)) &&
    certificate.subjectAltName === said &&
    Date.parse(certificate.validTo) - nowMs > RENEW_DAYS * DAY_MS
  );
}

/**
 * A certificate of the garden's authority for this machine's names and addresses, kept until one of them changes or it
 * runs out.
 * @param addresses IPv4 addresses on the home network with their prefix, "192.168.1.20/24"; what lies outside every
 *   network that the authority may vouch for is left out
 */
export async function certificateOf(
  dataDir: string,
  host: string,
  addresses: readonly string[],
  nowMs = Date.now(),
): Promise<KeyAndCertificate & { authority: string }> {
  const authority = await authorityOf(dataDir, host, addresses.map(networkOf), nowMs);
  const plain = addresses.map((cidr) => cidr.split("/")[0]!);
  const names = [...namesOf(host), "127.0.0.1", ...within(plain, authority.networks)];
  const known = kept<KeyAndCertificate>(dataDir, "certificate");
  if (known && stillGood(known, authority.certificate, names, nowMs))
    return { ...known, authority: authority.certificate };
  const m = await maker();
  const issuer = new m.X509Certificate(authority.certificate);
  const keys = await keyPair();
  const certificate = await m.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: [{ CN: [host] }],
    issuer: issuer.subject,
    notBefore: new Date(nowMs - DAY_MS),
    notAfter: new Date(nowMs + CERTIFICATE_DAYS * DAY_MS),
    publicKey: keys.publicKey,
    signingKey: await keyOf(m, authority.key),
    signingAlgorithm: ALGORITHM,
    extensions: [
      new m.KeyUsagesExtension(m.KeyUsageFlags.digitalSignature, true),
      new m.ExtendedKeyUsageExtension([m.ExtendedKeyUsage.serverAuth]),
      new m.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) ? ("ip" as const) : ("dns" as const), value })),
      ),
      await m.AuthorityKeyIdentifierExtension.create(issuer),
      await m.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  const made = { key: await pemOf(m, keys.privateKey), certificate: certificate.toString("pem") };
  return { ...keep(dataDir, "certificate", made), authority: authority.certificate };
}

/** The authority's certificate as phones take it in: DER. */
export const derOf = (pem: string): Buffer => new X509Certificate(pem).raw;

/** A certificate's SHA-256 fingerprint in pairs, as phones show it: "3A:0F:…". */
export const fingerprintOf = (pem: string): string => new X509Certificate(pem).fingerprint256;
