import styles from './toggles.module.css';

/** One of a row of buttons that stay pressed. */
export interface Toggle {
  label: string;
  isOn: boolean;
  onPress: () => void;
}

/** A row of buttons that stay pressed, over a picture. */
export const Toggles = ({ label, toggles }: { label: string; toggles: readonly Toggle[] }) => (
  <span className={styles['toggles']} role="group" aria-label={label}>
    {toggles.map((toggle) => (
      <button key={toggle.label} type="button" aria-pressed={toggle.isOn} onClick={toggle.onPress}>
        {toggle.label}
      </button>
    ))}
  </span>
);
