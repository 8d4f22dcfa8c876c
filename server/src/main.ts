import { resolve } from 'node:path';
import { serve } from './serve';

const need = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set. Start with npm start, or set it to a PostgreSQL address.`);
  return value;
};

/** The address of a weather service, whole and over HTTP. */
function addressOf(text = ''): string | null {
  if (text.trim() === '') return null;
  if (!URL.canParse(text) || !/^https?:$/.test(new URL(text).protocol))
    throw new Error(`TUFA_WEATHER is ${text}. Give an address as https://weather.example/v1, or leave it out.`);
  return text;
}

const adviceOf = (error: unknown): string => {
  if (!(error instanceof Error)) return String(error);
  if ('code' in error && error.code === 'EADDRINUSE') return `Port ${process.env['PORT']} is taken. Choose another: PORT=8421 npm start`;
  return error.message;
};

/** Serves what the environment says, and on SIGTERM or SIGINT ends the requests in hand before it stops. */
async function main(): Promise<void> {
  // Tests freeze the clock of the whole process.
  const frozen = process.env['TUFA_NOW'];
  const { url, firmCode, stop } = await serve({
    url: need('DATABASE_URL'),
    ownerUrl: need('MIGRATION_DATABASE_URL'),
    clock: frozen ? () => new Date(frozen) : () => new Date(),
    logLevel: process.env['LOG_LEVEL'] ?? 'warn',
    secret: need('SESSION_SECRET'),
    hosts: (process.env['TUFA_HOSTS'] ?? '').split(/[\s,]+/).filter(Boolean),
    proxied: process.env['TUFA_PROXIED'] === '1',
    port: Number(process.env['PORT'] ?? 8420),
    weather: addressOf(process.env['TUFA_WEATHER']),
    web: process.env['TUFA_WEB'] ? resolve(process.env['TUFA_WEB']) : null,
    demo: resolve(process.env['TUFA_DEMO'] ?? 'demo'),
    empty: process.env['TUFA_EMPTY'] === '1',
  });
  process.stdout.write(`Tufa is at ${url}\n`);
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
