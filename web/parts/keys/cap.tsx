import { capsOf, type KeyName } from './table.ts';

/** A key as it is drawn on a keyboard. */
export const Cap = ({ of }: { of: KeyName }) =>
  capsOf(of).map((cap, i) => (
    <span key={cap}>
      {i > 0 && ' '}
      <kbd>{cap}</kbd>
    </span>
  ));
