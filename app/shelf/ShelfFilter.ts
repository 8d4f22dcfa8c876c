import type { AidClass, SheetClass, Use } from '@tufa/core/shelf';

/** What of the shelf is asked for. */
export interface ShelfFilter {
  readonly text: string;
  readonly use: Use | 'helps' | null;
  readonly class: SheetClass | AidClass | null;
  readonly thickness_m: number | null;
  readonly inStock: boolean;
}

/** All of the shelf. */
export const NO_FILTER: ShelfFilter = { text: '', use: null, class: null, thickness_m: null, inStock: false };
