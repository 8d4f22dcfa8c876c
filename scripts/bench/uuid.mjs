/** An id of the kind that phones make. */
export const uuid = () => crypto.randomUUID().replace(/^(.{14})./, '$17');
