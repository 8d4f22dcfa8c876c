import 'reflect-metadata';
import { webcrypto } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { AsnConvert } from '@peculiar/asn1-schema';
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from '@peculiar/asn1-x509';
import {
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';

/** Under which this server is reached on the local network. */
export interface Names {
  /** numbers of this machine, IPv4 */
  readonly addresses: readonly string[];
  readonly names: readonly string[];
}

/** What a server speaks TLS with, and the certificate that a phone takes once. */
export interface Trust {
  readonly key: string;
  readonly certificate: string;
  readonly authority: string;
  /** of the authority's certificate, as a phone shows it */
  readonly fingerprint: string;
  /** whether the authority is a new one: phones that took the former take this one too */
  readonly renewed: boolean;
}

const EC = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const DAY_MS = 86400_000;
const LASTS_DAYS = { authority: 3 * 365, server: 90 } as const;
const NAME_CONSTRAINTS = '2.5.29.30';

const pem = (kind: string, bytes: ArrayBuffer): string =>
  `-----BEGIN ${kind}-----\n${(
    Buffer.from(bytes)
      .toString('base64')
      .match(/.{1,64}/g) ?? []
  ).join('\n')}\n-----END ${kind}-----\n`;
const bytesOf = (text: string): Buffer => Buffer.from(text.replace(/-----[^-]+-----|\s/g, ''), 'base64');

/** Whoever has the authority's key can speak for these names alone, and for nothing else in the world. */
function constraints({ addresses, names }: Names): Extension {
  const bases = [...names.map((dNSName) => new GeneralName({ dNSName })), ...addresses.map((address) => new GeneralName({ iPAddress: `${address}/32` }))];
  const permittedSubtrees = new GeneralSubtrees(bases.map((base) => new GeneralSubtree({ base })));
  return new Extension(NAME_CONSTRAINTS, true, AsnConvert.serialize(new NameConstraints({ permittedSubtrees })));
}

const serial = (): string =>
  Buffer.from(webcrypto.getRandomValues(new Uint8Array(16)))
    .toString('hex')
    .replace(/^[89a-f]/, '4');
const between = (at: Date, days: number) => ({ notBefore: new Date(at.getTime() - DAY_MS), notAfter: new Date(at.getTime() + days * DAY_MS) });

async function makeAuthority(reached: Names, at: Date): Promise<{ key: string; certificate: string }> {
  const keys = await webcrypto.subtle.generateKey(EC, true, ['sign', 'verify']);
  const certificate = await X509CertificateGenerator.createSelfSigned(
    {
      serialNumber: serial(),
      name: `CN=Tufa of ${reached.names[0] ?? reached.addresses[0] ?? 'this machine'}`,
      ...between(at, LASTS_DAYS.authority),
      keys,
      signingAlgorithm: EC,
      extensions: [
        new BasicConstraintsExtension(true, 0, true),
        new KeyUsagesExtension(KeyUsageFlags.keyCertSign, true),
        await SubjectKeyIdentifierExtension.create(keys.publicKey, false, webcrypto as Crypto),
        constraints(reached),
      ],
    },
    webcrypto as Crypto,
  );
  return { key: pem('PRIVATE KEY', await webcrypto.subtle.exportKey('pkcs8', keys.privateKey)), certificate: `${certificate.toString('pem').trimEnd()}\n` };
}

/** Whether an authority still holds, and speaks for all of these. */
function speaksFor(certificate: X509Certificate, { addresses, names }: Names, at: Date): boolean {
  if (certificate.notAfter.getTime() < at.getTime() + LASTS_DAYS.server * DAY_MS) return false;
  const extension = certificate.getExtension(NAME_CONSTRAINTS);
  if (!extension) return false;
  const bases = (AsnConvert.parse(extension.value, NameConstraints).permittedSubtrees ?? []).map(({ base }) => base);
  const permitted = new Set(bases.flatMap(({ dNSName, iPAddress }) => [dNSName, iPAddress?.replace(/\/32$/, '')]));
  return [...addresses, ...names].every((name) => permitted.has(name));
}

/**
 * The small authority of this server, kept in a folder with its key readable by its owner alone, and a certificate of
 * its own for today's names. A machine whose address has changed gets a new authority.
 */
export async function trustFor(folder: string, reached: Names, at: Date): Promise<Trust> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const [keyFile, certificateFile] = [join(folder, 'authority.key'), join(folder, 'authority.pem')];
  const there = existsSync(keyFile) && existsSync(certificateFile);
  const kept = there ? { key: readFileSync(keyFile, 'utf8'), certificate: readFileSync(certificateFile, 'utf8') } : null;
  const holds = kept !== null && speaksFor(new X509Certificate(kept.certificate), reached, at);
  const authority = holds ? kept : await makeAuthority(reached, at);
  if (!holds) {
    writeFileSync(keyFile, authority.key, { mode: 0o600 });
    writeFileSync(certificateFile, authority.certificate);
  }
  const issuer = new X509Certificate(authority.certificate);
  const signingKey = await webcrypto.subtle.importKey('pkcs8', bytesOf(authority.key), EC, false, ['sign']);
  const keys = await webcrypto.subtle.generateKey(EC, true, ['sign', 'verify']);
  const certificate = await X509CertificateGenerator.create(
    {
      serialNumber: serial(),
      subject: `CN=${reached.names[0] ?? reached.addresses[0]}`,
      issuer: issuer.subject,
      ...between(at, LASTS_DAYS.server),
      publicKey: keys.publicKey,
      signingKey,
      signingAlgorithm: EC,
      extensions: [
        new BasicConstraintsExtension(false, undefined, true),
        new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
        new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
        new SubjectAlternativeNameExtension([
          ...reached.names.map((value) => ({ type: 'dns' as const, value })),
          ...reached.addresses.map((value) => ({ type: 'ip' as const, value })),
        ]),
      ],
    },
    webcrypto as Crypto,
  );
  const thumbprint = Buffer.from(await issuer.getThumbprint('SHA-256', webcrypto as Crypto))
    .toString('hex')
    .toUpperCase();
  return {
    key: pem('PRIVATE KEY', await webcrypto.subtle.exportKey('pkcs8', keys.privateKey)),
    certificate: `${certificate.toString('pem').trimEnd()}\n${authority.certificate}`,
    authority: authority.certificate,
    fingerprint: (thumbprint.match(/../g) ?? []).join(':'),
    renewed: !holds,
  };
}
