import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { YardClient } from '../../api/yard.ts';
import { useStable } from '../../parts/use-stable.ts';
import { usePart } from './use-part.ts';
import type { CatalogueItem } from '../../workers/yard-protocol.ts';

/** What is in the hand, of all that may be. */
export interface InHand {
  items: readonly CatalogueItem[];
  item: CatalogueItem | undefined;
  hold: (item: string | undefined) => void;
  /** Holds the one so many places on in the catalogue. */
  step: (by: number) => void;
  /** Whether one is choosing by name. */
  isChoosing: boolean;
  choose: (isChoosing: boolean) => void;
}

const none: readonly CatalogueItem[] = [];

/** What somebody in the Yard holds, and how they come to hold something else. */
export function useInHand(client: YardClient): InHand {
  const items = usePart(client, ({ yard }) => yard?.items ?? none);
  const held = usePart(client, ({ now }) => now?.held?.item);
  const hold = useStable((item: string | undefined) => {
    const carries = client.view.now?.collected.find((one) => one.item === item)?.carries;
    client.do({ do: 'hold', held: item === undefined ? undefined : { item, carries } });
  });
  const step = useStable((by: number) => {
    const at = items.findIndex(({ id }) => id === held);
    const next = items[(at + by + items.length) % items.length];
    if (next) hold(next.id);
  });
  const [isChoosing, choose] = useState(false);
  useFirstHeld(client, hold);
  const item = items.find(({ id }) => id === held);
  return { items, item, hold, step, isChoosing, choose };
}

/** The first item, or the one that another place sent here, is in the hand from the start. */
function useFirstHeld(client: YardClient, hold: (item: string) => void): void {
  const [search, setSearch] = useSearchParams();
  const yard = usePart(client, ({ yard }) => yard);
  const wanted = search.get('place');
  useEffect(() => {
    if (!yard) return;
    const item = yard.items.find(({ id }) => id.endsWith(`:${wanted}`)) ?? yard.items[0];
    if (item && client.view.now?.held === undefined) hold(item.id);
    if (wanted !== null && item) {
      hold(item.id);
      client.do({ do: 'bring' });
      setSearch({}, { replace: true });
    }
    // Once for each pack that is loaded.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [yard]);
}
