// A folder of built files, as the server sends them: compressed, and for ever where their names say what is in them.
import { readFileSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import { extname, join } from 'node:path';

export async function serveFolder(folder) {
  const types = {
    '.html': 'text/html',
    '.js': 'text/javascript',
    '.css': 'text/css',
    '.woff2': 'font/woff2',
    '.svg': 'image/svg+xml',
    '.webmanifest': 'application/json',
  };
  const server = createServer((request, response) => {
    const path = new URL(request.url, 'http://x').pathname;
    let file = join(folder, decodeURIComponent(path === '/' || extname(path) === '' ? '/index.html' : path));
    const exists = (path) => {
      try {
        return statSync(path).isFile();
      } catch {
        return false;
      }
    };
    if (!exists(file)) return response.writeHead(404).end();
    const headers = {
      'content-type': types[extname(file)] ?? 'application/octet-stream',
      'cache-control': path.includes('/_expo/static/') ? 'public, max-age=31536000, immutable' : 'no-cache',
    };
    if (exists(`${file}.br`)) {
      file = `${file}.br`;
      headers['content-encoding'] = 'br';
    }
    response.writeHead(200, headers).end(readFileSync(file));
  });
  await new Promise((ready) => server.listen(0, '127.0.0.1', ready));
  return { url: `http://127.0.0.1:${server.address().port}`, close: () => server.close() };
}
