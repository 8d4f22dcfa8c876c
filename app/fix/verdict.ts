/** How a verdict is marked before its sentence, so that colour is never alone. */
export const MARK = { yes: '', caution: '! ', no: '× ' } as const;
/** How a verdict is toned; what is well has no tone. */
export const TONE = { yes: undefined, caution: 'caution', no: 'stop' } as const;
