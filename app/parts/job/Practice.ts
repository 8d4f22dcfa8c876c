import type { FollowCode } from '@tufa/core/pour';

/** What a rehearsal tells the screens of a pour: nobody has a hand on the material. */
export interface Practice {
  /** whether a hand would find it ready now, by what is written on the batch; null where there is nothing to feel yet */
  readonly finds: (batch: string, code: FollowCode) => boolean | null;
  /** until when nothing can be begun, ms by the rehearsal's clock; null where something can */
  readonly keptUntil: number | null;
  /** back from the rehearsal */
  readonly leave: () => void;
}
