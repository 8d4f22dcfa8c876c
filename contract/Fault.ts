/** One thing wrong with what was sent: where, a stable code, and the figures behind it. What a schema refuses begins with `field.`. */
export interface Fault {
  readonly field: string;
  readonly code: string;
  readonly figures: Readonly<Record<string, unknown>>;
}
