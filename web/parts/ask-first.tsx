import { Button, Popover } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import styles from './ask-first.module.css';

interface AskFirstProps {
  /** What is done, as the button says it that does it: `Remove lit`. */
  act: string;
  /** What follows from it; asked for only once somebody wants to do it. Nothing to say, nothing asked. */
  says: () => ReactNode;
  onAct: () => void;
  /** Why it cannot be done. */
  whyNot?: string | undefined;
}

/** A small button that takes something away, after saying what follows where something does. */
export function AskFirst({ act, says, onAct, whyNot }: AskFirstProps) {
  const [said, setSaid] = useState<ReactNode>();
  const [isAsking, setAsking] = useState(false);
  const press = () => {
    const follows = says();
    if (follows) {
      setSaid(follows);
      setAsking(true);
    } else onAct();
  };
  const agree = () => {
    setAsking(false);
    onAct();
  };
  return (
    <Popover
      opened={isAsking}
      onChange={setAsking}
      position="bottom-end"
      width={310}
      shadow="md"
      withArrow
      trapFocus
    >
      <Popover.Target>
        <button
          type="button"
          className="tiny"
          aria-label={act}
          title={whyNot}
          disabled={whyNot !== undefined}
          onClick={press}
        >
          ×
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <p className={styles['follows']}>{said}</p>
        <Button color="brick" onClick={agree}>
          {act}
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}
