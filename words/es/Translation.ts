/** The same table in another language: every sentence, none left out, none of its own. */
export type Translation<T> = { readonly [K in keyof T]: T[K] extends string ? string : Translation<T[K]> };
