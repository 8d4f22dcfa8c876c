/** Long enough for the browser to have gone back. */
const BACK_MS = 3000;

/** While the browser goes back. */
let goingBack: Promise<void> | null = null;

/** Goes back to where one came from. The browser does it a moment later: what is opened meanwhile would be closed in its place. */
export function goBack(router: { readonly back: () => void }): void {
  const gone = new Promise<void>((done) => {
    window.addEventListener('popstate', () => done(), { once: true });
    setTimeout(done, BACK_MS);
  }).then(() => {
    if (goingBack === gone) goingBack = null;
  });
  goingBack = gone;
  router.back();
}

/** Opens something at once, or as soon as the browser has gone back. */
export function onceBack(open: () => void): void {
  if (goingBack) void goingBack.then(open);
  else open();
}

/** Whether the browser is still going back. */
export const isGoingBack = (): boolean => goingBack !== null;
