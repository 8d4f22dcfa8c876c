import { resolve } from 'node:path';
import { serve, type Opened } from './serve';

const need = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set. Start with npm start, or set it to a PostgreSQL address.`);
  return value;
};

/** The address of a weather service, or of instruments, whole and over HTTP. */
function addressOf(name: 'TUFA_WEATHER' | 'TUFA_INSTRUMENTS'): string | null {
  const text = process.env[name] ?? '';
  if (text.trim() === '') return null;
  if (!URL.canParse(text) || !/^https?:$/.test(new URL(text).protocol))
    throw new Error(`${name} is ${text}. Give an address as https://service.example/v1, or leave it out.`);
  return text;
}

/** Beyond this machine it listens behind a proxy alone, which speaks TLS before it. */
function listening(): { listen?: string } {
  const listen = process.env['TUFA_LISTEN'];
  if (!listen || listen === '127.0.0.1') return {};
  if (process.env['TUFA_PROXIED'] !== '1')
    throw new Error(`TUFA_LISTEN is ${listen} without TUFA_PROXIED=1. Put a proxy before it that speaks TLS, or start with --lan.`);
  return { listen };
}

const adviceOf = (error: unknown): string => {
  if (!(error instanceof Error)) return String(error);
  if ('code' in error && error.code === 'EADDRINUSE') return `Port ${process.env['PORT']} is taken. Choose another: PORT=8421 npm start`;
  return error.message;
};

/** What has been opened, to whom, and how a phone comes in: the page as a code for its camera. */
async function tellOpened({ url, page, fingerprint, renewed }: Opened): Promise<void> {
  const { default: qrcode } = await import('qrcode');
  process.stdout.write(
    [
      `Everybody on this network reaches ${url} now; nobody gets further than its door without signing in.`,
      `A phone opens this page once and takes the certificate there${renewed ? ' (it is a new one: phones that had the former take this too)' : ''}: ${page}`,
      await qrcode.toString(page, { type: 'terminal', small: true }),
      `The page must show this fingerprint: ${fingerprint}`,
      '',
    ].join('\n'),
  );
}

/** Serves what the environment says, and on SIGTERM or SIGINT ends the requests in hand before it stops. */
async function main(): Promise<void> {
  // Tests freeze the clock of the whole process.
  const frozen = process.env['TUFA_NOW'];
  const { url, opened, firmCode, stop } = await serve({
    url: need('DATABASE_URL'),
    ownerUrl: need('MIGRATION_DATABASE_URL'),
    clock: frozen ? () => new Date(frozen) : () => new Date(),
    logLevel: process.env['LOG_LEVEL'] ?? 'warn',
    secret: need('SESSION_SECRET'),
    hosts: (process.env['TUFA_HOSTS'] ?? '').split(/[\s,]+/).filter(Boolean),
    proxied: process.env['TUFA_PROXIED'] === '1',
    port: Number(process.env['PORT'] ?? 8420),
    ...listening(),
    weather: addressOf('TUFA_WEATHER'),
    instruments: addressOf('TUFA_INSTRUMENTS'),
    web: process.env['TUFA_WEB'] ? resolve(process.env['TUFA_WEB']) : null,
    demo: resolve(process.env['TUFA_DEMO'] ?? 'demo'),
    empty: process.env['TUFA_EMPTY'] === '1',
    metricsToken: process.env['TUFA_METRICS_TOKEN'] || null,
    drain_ms: 1000 * Number(process.env['TUFA_DRAIN_S'] ?? 0),
    lan: process.env['TUFA_LAN']
      ? { folder: resolve(process.env['TUFA_LAN']), port: Number(process.env['TUFA_LAN_PORT'] ?? 8443), pagePort: Number(process.env['TUFA_LAN_PAGE'] ?? 8480) }
      : null,
  });
  process.stdout.write(`Tufa is at ${url}\n`);
  if (opened) await tellOpened(opened);
  if (firmCode) process.stdout.write(`Make your firm at ${url}/start with this code, once and within a day: ${firmCode}\n`);

  let stopping = false;
  const end = (): void => {
    if (stopping) return;
    stopping = true;
    void stop().then(() => process.exit(0));
  };
  process.on('SIGTERM', end);
  process.on('SIGINT', end);
}

main().catch((error: unknown) => {
  process.stderr.write(`${adviceOf(error)}\n`);
  process.exit(1);
});
