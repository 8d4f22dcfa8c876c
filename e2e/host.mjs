// Serves several databases from one process, whose program is read once: what a test asks of it comes as a message.
import { env } from 'node:process';

const { serve } = await import(env.TUFA_SERVE);
const serving = new Map();

process.on('message', async ({ id, settings }) => {
  try {
    if (settings) {
      const { now, ...rest } = settings;
      const served = await serve({ ...rest, clock: now ? () => new Date(now) : () => new Date(), logLevel: 'warn', secret: 'e2e', port: 0 });
      serving.set(id, served);
      process.send({ id, url: served.url, firmCode: served.firmCode, lan: served.opened?.url });
    } else {
      await serving.get(id).stop();
      serving.delete(id);
      process.send({ id });
    }
  } catch (error) {
    process.send({ id, failed: error.message });
  }
});
process.on('disconnect', () => process.exit(0));
process.send({ id: 'ready' });
