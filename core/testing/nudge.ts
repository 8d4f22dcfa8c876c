import { nudge } from './tables';

// Loaded before each test file of a nudged run, and before anything that reads the tables.
const path = process.env['TUFA_NUDGE'];
if (path) nudge(path);
