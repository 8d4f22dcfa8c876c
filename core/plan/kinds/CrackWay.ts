import type { HouseMethod } from '../../choose';

/** What is done with a crack: filled with resin in one of four ways, rubbed in, opened to a groove, or cut to a joint. */
export type CrackWay = Exclude<HouseMethod['cracks'], 'byWidth'> | 'rubIn' | 'openGroove' | 'joint';
