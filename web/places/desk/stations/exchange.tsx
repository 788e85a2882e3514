import { Button, Textarea } from '@mantine/core';
import { useState } from 'react';
import type { Acts } from '../acts.ts';
import styles from './stations.module.css';

/** What comes in from elsewhere: boxes that were copied as text. */
export function Exchange({ acts }: { acts: Acts }) {
  const [text, setText] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const put = () => {
    if (acts.paste(text ?? '')) setText(undefined);
    else setProblem('This text holds no boxes. Copy some on a desk first, and put that in here.');
  };
  if (text === undefined)
    return (
      <button type="button" className="tiny" onClick={() => setText('')}>
        Put in boxes as text
      </button>
    );
  return (
    <>
      <Textarea
        aria-label="Boxes as text"
        placeholder='{ "boxes": [ … ] }'
        classNames={{ input: 'mono' }}
        autosize
        minRows={4}
        maxRows={12}
        autoFocus
        value={text}
        onChange={(event) => {
          setText(event.currentTarget.value);
          setProblem(undefined);
        }}
      />
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      <div className={styles['verbs']}>
        <Button variant="default" onClick={() => setText(undefined)}>
          Leave it
        </Button>
        <Button disabled={!text.trim()} onClick={put}>
          Put in
        </Button>
      </div>
    </>
  );
}
