/** Hands a file to the browser's own saving. */
export function saveFile({ name, type, text }: { name: string; type: string; text: string | Blob }): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
