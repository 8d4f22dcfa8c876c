import type { Point } from '@tufa/core/takeoff';

/** Where a draft stands. */
export interface DraftState {
  readonly points: readonly Point[];
  /** the corner held, counted from 0 */
  readonly chosen: number | null;
}

/**
 * What is being drawn: its points with every step behind it, to take back and to do again. Apart from React, so that a
 * finger is followed without rendering a screen.
 */
export class Draft {
  private state: DraftState;
  private past: DraftState[] = [];
  private future: DraftState[] = [];
  private listeners = new Set<() => void>();
  private atRest: DraftState;
  private restListeners = new Set<() => void>();

  constructor(points: readonly Point[]) {
    this.state = { points, chosen: null };
    this.atRest = this.state;
  }

  /** What lists and fields follow: the draft as the finger last left it. */
  subscribeRest = (listener: () => void): (() => void) => {
    this.restListeners.add(listener);
    return () => this.restListeners.delete(listener);
  };

  rest = (): DraftState => this.atRest;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): DraftState => this.state;

  get canUndo(): boolean {
    return this.past.length > 0;
  }

  get canRedo(): boolean {
    return this.future.length > 0;
  }

  /** A step of its own, which undo takes back. */
  do(points: readonly Point[], chosen: number | null = this.state.chosen): void {
    this.past.push(this.state);
    this.future = [];
    this.show({ points, chosen });
  }

  /** The first move of a finger: a step of its own, which goes on until it is lifted. */
  begin(points: readonly Point[]): void {
    this.past.push(this.state);
    this.future = [];
    this.move(points);
  }

  /** The finger moves on: the same step, further. */
  move(points: readonly Point[]): void {
    this.state = { points, chosen: this.state.chosen };
    for (const listener of this.listeners) listener();
  }

  /** The finger is lifted. */
  settle(): void {
    this.show(this.state);
  }

  choose(chosen: number | null): void {
    if (chosen !== this.state.chosen) this.show({ points: this.state.points, chosen });
  }

  undo = (): void => {
    const before = this.past.pop();
    if (!before) return;
    this.future.push(this.state);
    this.show(before);
  };

  redo = (): void => {
    const after = this.future.pop();
    if (!after) return;
    this.past.push(this.state);
    this.show(after);
  };

  private show(state: DraftState): void {
    this.state = state;
    this.atRest = state;
    for (const listener of [...this.listeners, ...this.restListeners]) listener();
  }
}
