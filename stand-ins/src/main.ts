import type { AddressInfo } from 'node:net';
import { instrumentService } from './instruments';
import { weatherService } from './weather';

/** Serves invented weather, or invented instruments, on the loopback until it is told to stop. Its address is its one line. */
const frozen = process.env['TUFA_NOW'];
const clock = frozen ? () => Date.parse(frozen) : Date.now;
const service = process.env['TUFA_STAND_IN'] === 'instruments' ? instrumentService({ clock }) : weatherService(clock);
const server = service.listen(Number(process.env['PORT'] ?? 0), '127.0.0.1', () => {
  process.stdout.write(`http://127.0.0.1:${(server.address() as AddressInfo).port}\n`);
});

for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.once(signal, () => {
    server.closeAllConnections();
    server.close();
  });
