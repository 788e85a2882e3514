import './data.css';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { useSession } from '../../api/hooks.tsx';
import { SavedMark } from '../../parts/frame.tsx';

/** The head of the place Data: which of the mod's tables is open, and what belongs to it. */
export function DataTabs({ children }: { children?: ReactNode }) {
  const home = `/m/${useSession().name}/data`;
  return (
    <header className="data-head">
      <h1>Data</h1>
      <nav aria-label="Tables"><NavLink to={`${home}/traits`}>Traits</NavLink><NavLink to={`${home}/tools`}>Tool ladder</NavLink></nav>
      {children}
      <span className="facts"><SavedMark /></span>
    </header>
  );
}
