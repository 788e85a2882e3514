import { TextInput } from '@mantine/core';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { walkList } from '../../parts/keys/walk-list.ts';
import { DataTabs } from './data-tabs.tsx';
import pageStyles from './page.module.css';
import dataTabsStyles from './data-tabs.module.css';
import styles from './list-page.module.css';

/** A line of the list: where it leads, and what one reads of it. */
export interface ListedEntry {
  name: string;
  title: ReactNode;
  icon?: ReactNode;
  /** What stands at the end of the line, quietly. */
  aside?: ReactNode;
  tooltip?: string;
}
/** Lines under a heading of their own; without a heading they stand alone. */
export interface ListSection {
  heading?: string;
  entries: readonly ListedEntry[];
}

interface ListPageProps {
  /** What is listed: `item`. */
  what: string;
  /** Many of them: `items`. */
  whats: string;
  /** The address under which each opens by its name. */
  home: string;
  sections: readonly ListSection[];
  /** How many there are without the filter. */
  total: number;
  filter: string;
  onFilter: (filter: string) => void;
  filterHint?: string;
  /** The name of the one that is open. */
  open: string | undefined;
  /** What stands at the end of the head: how to make a new one. */
  action: ReactNode;
  /** What they are for, shown while none is open. */
  about: ReactNode;
  /** The one that is open. */
  children: ReactNode;
}

/** A table of the place Data as a list with what is open beside it. */
export function ListPage(props: ListPageProps) {
  const { what, total, action, about, children } = props;
  return (
    <div className={pageStyles['data-page']}>
      <DataTabs>
        <span className={dataTabsStyles['acts']}>{action}</span>
      </DataTabs>
      <div className={styles['data-body']}>
        <List {...props} />
        {children ?? (
          <div className={styles['data-empty']}>
            <h2>{total ? `Choose ${article(what)}` : `No ${what} yet`}</h2>
            <p className="note">{about}</p>
          </div>
        )}
      </div>
    </div>
  );
}

const article = (what: string): string => `${/^[aeiou]/.test(what) ? 'an' : 'a'} ${what}`;

function List(props: ListPageProps) {
  const { what, whats, home, sections, total, filter, onFilter, filterHint, open } = props;
  const listed = sections.flatMap(({ entries }) => entries.map(({ name }) => name));
  const isBare = listed.length === 0;
  const tabStop = open !== undefined && listed.includes(open) ? open : listed[0];
  return (
    <nav
      className={styles['data-list']}
      aria-label={whats[0]!.toUpperCase() + whats.slice(1)}
      onKeyDown={walkList}
    >
      <div className={styles['q']}>
        <TextInput
          placeholder={filterHint ?? `Filter ${whats}`}
          aria-label={`Filter ${whats}`}
          value={filter}
          onChange={(event) => onFilter(event.currentTarget.value)}
        />
      </div>
      {sections.map(({ heading, entries }) => (
        <div key={heading ?? ''}>
          {heading !== undefined && (
            <h2 className={styles['section']}>
              <span>{heading}</span>
              <span>{entries.length}</span>
            </h2>
          )}
          {entries.map((entry) => (
            <Line
              key={entry.name}
              entry={entry}
              home={home}
              isOpen={entry.name === open}
              isTabStop={entry.name === tabStop}
            />
          ))}
        </div>
      ))}
      {isBare && (
        <p className={clsx('note', styles['data-list-bare'])}>
          {total ? `Nothing matches “${filter}”.` : `No ${what} yet.`}
        </p>
      )}
    </nav>
  );
}

interface LineProps {
  entry: ListedEntry;
  home: string;
  isOpen: boolean;
  isTabStop: boolean;
}

function Line({ entry, home, isOpen, isTabStop }: LineProps) {
  const { name, icon, title, aside, tooltip } = entry;
  return (
    <Link
      to={`${home}/${name}`}
      aria-current={isOpen ? 'page' : undefined}
      data-walk
      tabIndex={isTabStop ? 0 : -1}
    >
      {icon ?? <span />}
      <b title={tooltip}>{title}</b>
      <em>{aside}</em>
    </Link>
  );
}
