import { expose } from 'comlink';
import { keepPage } from '../rows/keepPage';

/** What comes from the firm is read and kept off the main thread. */
const worker = { keepPage: (bytes: ArrayBuffer, asked: Parameters<typeof keepPage>[1]) => keepPage(bytes, asked) };

export type RowsWorker = typeof worker;

expose(worker);
