import { Drawn } from '../drawn.tsx';
import { useAsked } from './use-asked.ts';
import styles from './take-over.module.css';

/** A block of the open pack, drawn. */
export function BlockDrawing({ block }: { block: string }) {
  const { answer } = useAsked('drawing', { block, size: 88 }, block);
  return (
    <span className={styles['thumb']}>{answer && <Drawn size={88} data={answer} label="" />}</span>
  );
}
