import { MantineProvider, useMantineColorScheme } from '@mantine/core';
import { useEffect, useState } from 'react';
import { theme, variables } from '../../theme.ts';
import { samples } from './samples.tsx';
import styles from './parts.module.css';

/**
 * Every shared control in its states, by day and by night beside each other. For those who work on
 * the page: `npm run dev` shows it at `/m/<mod>/parts`, a build leaves it out.
 */
export default function Parts() {
  useDay();
  const [night, setNight] = useState<HTMLElement | null>(null);
  return (
    <div className="page">
      <h1>Parts</h1>
      <p className="note">The shared controls, each in its states. What one does here is lost.</p>
      <div className={styles['halves']}>
        <Samples />
        <div id="night" ref={setNight}>
          {night && (
            <MantineProvider
              theme={theme}
              cssVariablesResolver={variables}
              cssVariablesSelector="#night"
              getRootElement={() => night}
              forceColorScheme="dark"
            >
              <Samples />
            </MantineProvider>
          )}
        </div>
      </div>
    </div>
  );
}

const Samples = () => (
  <div>
    {Object.entries(samples).map(([name, Sample]) => (
      <section key={name} aria-label={name}>
        <h2>{name}</h2>
        <Sample />
      </section>
    ))}
  </div>
);

/** The page itself stays by day while it is shown. */
function useDay(): void {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  useEffect(() => {
    const before = colorScheme;
    setColorScheme('light');
    return () => setColorScheme(before);
    // Only coming and going count.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
}
