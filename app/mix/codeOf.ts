/** A text as the modules of a code that a phone's camera reads, row by row; its library is fetched when a label is made. */
export async function codeOf(text: string): Promise<boolean[][]> {
  const { default: qrcode } = await import('qrcode-generator');
  const code = qrcode(0, 'M');
  code.addData(text);
  code.make();
  const count = code.getModuleCount();
  return Array.from({ length: count }, (_, row) => Array.from({ length: count }, (_column, column) => code.isDark(row, column)));
}
