import { useEffect, useState } from 'react';

interface Battery extends EventTarget {
  readonly level: number;
  readonly charging: boolean;
}

/** Below this share a phone may not last the pour. */
const LOW = 0.2;

/** The battery's share while it is low and not charging, else null; null also where the browser does not tell. */
export function useBattery(): number | null {
  const [low, setLow] = useState<number | null>(null);
  useEffect(() => {
    let battery: Battery | null = null;
    let ended = false;
    const read = (): void => setLow(battery && !battery.charging && battery.level < LOW ? battery.level : null);
    const { getBattery } = navigator as unknown as { getBattery?: () => Promise<Battery> };
    void getBattery?.call(navigator).then((found) => {
      if (ended) return;
      battery = found;
      for (const event of ['levelchange', 'chargingchange']) found.addEventListener(event, read);
      read();
    });
    return () => {
      ended = true;
      for (const event of ['levelchange', 'chargingchange']) battery?.removeEventListener(event, read);
    };
  }, []);
  return low;
}
