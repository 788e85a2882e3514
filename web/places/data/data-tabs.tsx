import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { useSession } from '../../api/hooks.tsx';
import { SavedMark } from '../../parts/frame.tsx';
import { placesIn } from '../places.ts';
import styles from './data-tabs.module.css';

/** The head of the place Data: which of the mod's tables is open, and what belongs to it. */
export function DataTabs({ children }: { children?: ReactNode }) {
  const home = `/m/${useSession().name}`;
  return (
    <header className={styles['data-head']}>
      <h1>Data</h1>
      <nav aria-label="Tables">
        {placesIn('data').map(({ path, title }) => (
          <NavLink key={path} to={`${home}/${path}`}>
            {title}
          </NavLink>
        ))}
      </nav>
      {children}
      <span className={styles['facts']}>
        <SavedMark />
      </span>
    </header>
  );
}
