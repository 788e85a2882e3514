import { Button, Switch, TextInput } from '@mantine/core';
import { readCsv, writeCsv } from '../../../../core/table/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { download } from '../../../parts/download.ts';
import { CsvDialog } from '../csv-dialog.tsx';
import { ImportButton } from '../import-button.tsx';
import { DataTabs } from '../data-tabs.tsx';
import styles from '../data-tabs.module.css';

interface TableHeadProps {
  filter: string;
  onFilter: (filter: string) => void;
  withStock: boolean;
  onWithStock: (withStock: boolean) => void;
}

/** The head of the table of traits: what is shown of it, and its way out and in as CSV. */
export function TableHead({ filter, onFilter, withStock, onWithStock }: TableHeadProps) {
  return (
    <DataTabs>
      <TextInput
        placeholder="Filter"
        aria-label="Filter the table"
        w={150}
        value={filter}
        onChange={(event) => onFilter(event.currentTarget.value)}
      />
      <Switch
        label="With stock"
        checked={withStock}
        onChange={(event) => onWithStock(event.currentTarget.checked)}
      />
      <CsvActs />
    </DataTabs>
  );
}

function CsvActs() {
  const mod = useMod();
  return (
    <span className={styles['acts']}>
      <Button
        variant="default"
        onClick={() => download(`${mod.header.namespace}-traits.csv`, writeCsv(mod), 'text/csv')}
      >
        Export CSV
      </Button>
      <ImportButton
        label="Import CSV"
        accept=".csv,text/csv"
        read={(_name, bytes) => readCsv(mod, bytes)}
        dialog={(file) => <CsvDialog {...file} />}
      />
    </span>
  );
}
