// The package's own declarations stand outside its "exports".
declare module 'tinykeys' {
  export function tinykeys(target: Window | HTMLElement, bindings: Readonly<Record<string, (event: KeyboardEvent) => void>>): () => void;
}
