import { useState } from 'react';
import type { YardClient, YardView } from '../../api/yard.ts';
import { useStable } from '../../parts/use-stable.ts';
import { usePart } from './use-part.ts';

/** The pace of the ticks, and how that and the hour are set. */
export interface Time {
  isNight: boolean;
  pace: number;
  setPace: (pace: number) => void;
  setHour: (hour: number) => void;
  step: () => void;
}

/** Share of a day from midnight; noon until the world is there. */
export const hourOf = ({ now }: YardView): number => now?.hour ?? 0.5;

const isNightAt = (hour: number): boolean => hour < 0.25 || hour > 0.75;

/** The time of the world as it goes on. */
export function useTime(client: YardClient): Time {
  const isNight = usePart(client, (view) => isNightAt(hourOf(view)));
  const [pace, setPaceNow] = useState(1);
  const setPace = useStable((to: number) => {
    setPaceNow(to);
    client.ask({ ask: 'pace', pace: to });
  });
  const setHour = useStable((to: number) =>
    client.do({ do: 'hour', hour: Math.round(to * 1000) % 1000 }),
  );
  const step = useStable(() => client.ask({ ask: 'step' }));
  return { isNight, pace, setPace, setHour, step };
}
