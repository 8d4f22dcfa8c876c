import { inRange } from '../quantity';
import { WEATHER } from './constants';

const RADIAN = Math.PI / 180;

const checked = ({ zenith_deg, cloud }: { zenith_deg: number; cloud: number }): void => {
  inRange({ quantity: 'zenith_deg', value: zenith_deg, least: 0, most: 180 });
  inRange({ quantity: 'cloud', value: cloud, least: 0, most: 1 });
};

/**
 * Sun and sky on a level surface: clear sky by Haurwitz, `1098 cos z exp(-0.057/cos z)`, dimmed by cloud by Kasten and
 * Czeplak, `1 - 0.75 n^3.4`. Zero once the sun is down.
 *
 * @param zenith_deg of the sun, 0 to 180
 * @param cloud share of the sky, 0 to 1
 * @returns W/m2
 * @throws Problem `outOfRange`
 */
export function globalIrradiance({ zenith_deg, cloud }: { zenith_deg: number; cloud: number }): number {
  checked({ zenith_deg, cloud });
  const cosine = Math.cos(zenith_deg * RADIAN);
  if (cosine <= WEATHER.sunDownCosine) return 0;
  const clear = WEATHER.clearSky_Wm2 * cosine * Math.exp(-WEATHER.clearSkyExtinction / cosine);
  return clear * (1 - WEATHER.cloudShare * cloud ** WEATHER.cloudPower);
}

/**
 * The same on an upright wall: the beam by the angle at which it strikes, half the sky, a tenth from the ground. The
 * diffuse share is `0.15 + 0.85 n`.
 *
 * @param sunAzimuth_deg from north clockwise, as is `wallAzimuth_deg`, the way the wall looks
 * @returns W/m2
 * @throws Problem `outOfRange`
 */
export function wallIrradiance(input: { zenith_deg: number; cloud: number; sunAzimuth_deg: number; wallAzimuth_deg: number }): number {
  const { zenith_deg, cloud, sunAzimuth_deg, wallAzimuth_deg } = input;
  const level = globalIrradiance({ zenith_deg, cloud });
  const diffuse = WEATHER.diffuseClear + (1 - WEATHER.diffuseClear) * cloud;
  const cosine = Math.cos(zenith_deg * RADIAN);
  const strikes = Math.sin(zenith_deg * RADIAN) * Math.cos((sunAzimuth_deg - wallAzimuth_deg) * RADIAN);
  const beam = (((1 - diffuse) * level) / Math.max(cosine, WEATHER.sunDownCosine)) * Math.max(0, strikes);
  return beam + WEATHER.wallSky * diffuse * level + WEATHER.wallGround * level;
}
