import { focusMade } from './keys/focus-made.ts';

/** Turns one value for all states into rows, and goes to the first of them. */
export function MakeItDepend({ what, onMake }: { what: string; onMake: () => void }) {
  const make = () => {
    onMake();
    focusMade(`[role="group"][aria-label="Rows of ${what}"]`);
  };
  return (
    <button
      type="button"
      className="tiny"
      aria-label={`Make it depend on the state: ${what}`}
      onClick={make}
    >
      Make it depend on the state
    </button>
  );
}
