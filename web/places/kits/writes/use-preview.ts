import { useEffect, useRef, useState } from 'react';
import type { Preview } from '../../../../core/kits/index.ts';
import { useInspector, useView } from '../../../api/hooks.tsx';
import type { KitEdits } from '../use-kit.ts';

/** What a rule writes, and what it wrote before the last change. */
export interface Shown {
  preview: Preview | undefined;
  before: string | undefined;
}

/**
 * What a rule of a kit writes for a thing of the mod, anew with every change. What stood there before
 * stays known while the same file is shown.
 */
export function usePreview({ name, own, texts }: KitEdits, rule: number, called: string): Shown {
  const inspector = useInspector();
  const { revision } = useView();
  const [shown, setShown] = useState<Shown & { key: string; last?: string | undefined }>();
  const asked = useRef(0);
  const key = `${name} ${rule} ${called}`;
  useEffect(() => {
    const turn = (asked.current += 1);
    const draft = { name, own, texts: Object.fromEntries(texts) };
    void inspector.tryKit(draft, rule, called).then((preview) => {
      // Only what was asked last is shown; answers come in the order of the questions.
      if (turn !== asked.current) return;
      setShown((old) => {
        const last = old?.key === key ? old : undefined;
        const text = preview.written?.text;
        // While a template is half typed nothing is written: what stood there last still counts.
        const stood = last?.preview?.written?.text || last?.last;
        const isOther = stood !== undefined && text !== stood && text !== '';
        return { key, preview, last: stood, before: isOther ? stood : last?.before };
      });
    });
  }, [inspector, name, own, texts, rule, called, key, revision]);
  return shown?.key === key ? shown : { preview: shown?.preview, before: undefined };
}
