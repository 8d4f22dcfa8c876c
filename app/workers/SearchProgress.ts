/** How far a search is, told to whoever shows it and to nobody else: a screen is not drawn anew for it. */
export class SearchProgress {
  private share = 0;
  private readonly hears = new Set<() => void>();

  readonly subscribe = (hear: () => void): (() => void) => {
    this.hears.add(hear);
    return () => void this.hears.delete(hear);
  };

  /** 0 to 1 */
  readonly snapshot = (): number => this.share;

  readonly tell = (share: number): void => {
    this.share = share;
    for (const hear of this.hears) hear();
  };
}
