import './data.css';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { useSession } from '../../api/hooks.tsx';
import { SavedMark } from '../../parts/frame.tsx';

/** The tables of the mod by their addresses, in the order of the job. */
export const tables: readonly (readonly [string, string])[] = [
  ['traits', 'Traits'],
  ['tools', 'Tools'],
  ['items', 'Items'],
  ['loot', 'Loot tables'],
  ['tags', 'Tags'],
  ['recipes', 'Recipes'],
  ['groups', 'Groups'],
  ['texts', 'Names'],
  ['registry', 'Registry'],
];

/** The head of the place Data: which of the mod's tables is open, and what belongs to it. */
export function DataTabs({ children }: { children?: ReactNode }) {
  const home = `/m/${useSession().name}/data`;
  return (
    <header className="data-head">
      <h1>Data</h1>
      <nav aria-label="Tables">
        {tables.map(([path, title]) => (
          <NavLink key={path} to={`${home}/${path}`}>
            {title}
          </NavLink>
        ))}
      </nav>
      {children}
      <span className="facts">
        <SavedMark />
      </span>
    </header>
  );
}
