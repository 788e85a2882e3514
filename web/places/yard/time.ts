import { useState, useSyncExternalStore } from 'react';
import type { YardClient } from '../../api/yard.ts';
import { useStable } from '../../parts/use-stable.ts';

/** The pace of the ticks and the hour, and how both are set. */
export interface Time {
  hour: number;
  isNight: boolean;
  pace: number;
  setPace: (pace: number) => void;
  setHour: (hour: number) => void;
  step: () => void;
}

/** The time of the world as it goes on. */
export function useTime(client: YardClient): Time {
  const hour = useSyncExternalStore(client.subscribe, () => client.view.now?.hour ?? 0.5);
  const [pace, setPaceNow] = useState(1);
  const setPace = useStable((to: number) => {
    setPaceNow(to);
    client.ask({ ask: 'pace', pace: to });
  });
  const setHour = useStable((to: number) =>
    client.do({ do: 'hour', hour: Math.round(to * 1000) % 1000 }),
  );
  const step = useStable(() => client.ask({ ask: 'step' }));
  return { hour, isNight: hour < 0.25 || hour > 0.75, pace, setPace, setHour, step };
}
