/** Hands a text to whatever the phone shares with; where it shares with nothing it is copied. @returns whether it was copied */
export async function shareText(title: string, text: string): Promise<boolean> {
  if (navigator.share) {
    // Who thinks better of it closes the sheet: that is no fault.
    await navigator.share({ title, text }).catch(() => undefined);
    return false;
  }
  await navigator.clipboard.writeText(text);
  return true;
}
