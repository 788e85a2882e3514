import { Slider } from '@mantine/core';
import type { ReactNode } from 'react';
import styles from './touch-up.module.css';

interface SliderLineProps {
  title: string;
  /** What it is called for those who do not see the line, where that is more than its title. */
  called?: string;
  min: number;
  max: number;
  step?: number;
  value: number;
  onChange: (value: number) => void;
  /** The value as it is read. */
  children: ReactNode;
}

/** A line with what is slid, its slider and its value. */
export function SliderLine({ title, called = title, children, ...slider }: SliderLineProps) {
  return (
    <label className={styles['line']}>
      <span>{title}</span>
      <Slider {...slider} label={null} thumbLabel={called} />
      {children}
    </label>
  );
}
