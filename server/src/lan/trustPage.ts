import { say, type Speaker } from '@tufa/words';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Trust } from './authority';

const escaped = (text: string): string => text.replace(/[&<>"]/g, (letter) => `&#${letter.charCodeAt(0)};`);

/** In a language the phone asks for. */
const STEPS = ['android', 'iphone', 'desk'] as const;

/**
 * What a phone opens once, without TLS: the certificate of this server's own authority, by what it is compared, how it
 * is taken and how it is removed. Nothing of any firm is here.
 */
export function trustPage({ trust, address, speakers }: { trust: Trust; address: string; speakers: readonly Speaker[] }): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({ contentSecurityPolicy: { useDefaults: false, directives: { defaultSrc: ["'none'"], styleSrc: ["'self'"] } }, strictTransportSecurity: false }),
  );
  app.get('/trust.css', (_request, response) => {
    response
      .type('css')
      .send(
        'body{background:#f3efe6;color:#1f2729;font:18px/1.45 sans-serif;max-width:34em;margin:0 auto;padding:1em}a.take{display:block;background:#146256;color:#fff;padding:1.2em;text-align:center;font-weight:bold}code{font-size:1.1em;overflow-wrap:anywhere}h2{margin-top:1.6em}',
      );
  });
  app.get('/tufa.crt', (_request, response) => {
    response.type('application/x-x509-ca-cert').attachment('tufa.crt').send(trust.authority);
  });
  app.get('/', (request, response) => {
    const languages = speakers.map(({ language }) => language);
    const wanted = request.acceptsLanguages(languages);
    const speaker = speakers.find(({ language }) => language === wanted) ?? speakers[0]!;
    const t = (code: Parameters<typeof say>[1], figures?: object): string => escaped(say(speaker, code as 'lan.title', figures as never));
    const steps = STEPS.map((kind) => `<h2>${t(`lan.on.${kind}`)}</h2><p>${t(`lan.take.${kind}`)}</p><p>${t(`lan.remove.${kind}`)}</p>`).join('');
    response
      .type('html')
      .send(
        `<!doctype html><html lang="${speaker.language}"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${t('lan.title')}</title><link rel="stylesheet" href="/trust.css"><h1>${t('lan.title')}</h1><p>${t('lan.why')}</p><p>${t('lan.compare')}</p><p><code>${trust.fingerprint}</code></p><p><a class="take" href="/tufa.crt">${t('lan.takeIt')}</a></p>${steps}<h2>${t('lan.then')}</h2><p><a href="${escaped(address)}">${escaped(address)}</a></p></html>`,
      );
  });
  app.use((_request, response) => response.status(404).type('text').send('404'));
  return app;
}
