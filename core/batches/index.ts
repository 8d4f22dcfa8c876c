export * from './LayerAsk';
export * from './Batch';
export * from './batchList';
export * from './numbered';
