import type { AddressInfo } from 'node:net';
import { weatherService } from './weather';

/** Serves invented weather on the loopback until it is told to stop. Its address is its one line. */
const frozen = process.env['TUFA_NOW'];
const server = weatherService(frozen ? () => Date.parse(frozen) : Date.now).listen(Number(process.env['PORT'] ?? 0), '127.0.0.1', () => {
  process.stdout.write(`http://127.0.0.1:${(server.address() as AddressInfo).port}\n`);
});

for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.once(signal, () => {
    server.closeAllConnections();
    server.close();
  });
