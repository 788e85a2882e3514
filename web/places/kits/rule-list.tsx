import { Menu } from '@mantine/core';
import { kitSubjects } from '../../../core/mod/index.ts';
import type { KitEdits } from './use-kit.ts';
import { addRule } from './writes/rule-line.tsx';
import { besides, useOpen } from './writes/use-open.ts';
import { kindWords } from './writes/words.ts';
import styles from './kits.module.css';

/** What the open kit writes, rule by rule, and the texts beside. */
export function RuleList({ edits }: { edits: KitEdits }) {
  const open = useOpen(edits);
  const others = besides(edits);
  return (
    <ol className={styles['rules']} aria-label="Rules of the kit">
      {edits.own.files.map((rule, index) => (
        <li key={index}>
          <button
            type="button"
            aria-current={open.isShown && index === open.rule ? 'true' : undefined}
            title={rule.path}
            onClick={() => open.openRule(index)}
          >
            <span className="mono">{rule.path}</span>
            <em>{kindWords[rule.for]}</em>
          </button>
        </li>
      ))}
      <li className={styles['add']}>
        <Menu position="right-start">
          <Menu.Target>
            <span role="button" tabIndex={0} className="link">
              New rule
            </span>
          </Menu.Target>
          <Menu.Dropdown>
            {kitSubjects.map((subject) => (
              <Menu.Item key={subject} onClick={() => open.openRule(addRule(edits, subject))}>
                For {kindWords[subject]}
              </Menu.Item>
            ))}
          </Menu.Dropdown>
        </Menu>
      </li>
      {others.map((path) => (
        <li key={path}>
          <button
            type="button"
            aria-current={open.isShown && path === open.file ? 'true' : undefined}
            title={path}
            onClick={() => open.openFile(path)}
          >
            <span className="mono">{path}</span>
            <em>rendered by others</em>
          </button>
        </li>
      ))}
    </ol>
  );
}
