/** How a verdict is marked before its sentence, so that colour is never alone. */
export const MARK = { yes: '', caution: '! ', no: '× ' } as const;
export const TONE = { yes: undefined, caution: 'caution', no: 'stop' } as const;
