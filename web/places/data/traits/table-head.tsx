import { Button, FileButton, Switch, TextInput } from '@mantine/core';
import { useState } from 'react';
import { readCsv, writeCsv, type CsvPlan } from '../../../../core/table/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { download } from '../../../parts/download.ts';
import { CsvDialog } from '../csv-dialog.tsx';
import { DataTabs } from '../data-tabs.tsx';

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
  const session = useSession();
  const [read, setRead] = useState<{ name: string; plan: CsvPlan }>();
  const take = async (file: File | null) => {
    if (!file) return;
    setRead({ name: file.name, plan: readCsv(mod, new Uint8Array(await file.arrayBuffer())) });
  };
  return (
    <span className="acts">
      <Button
        variant="default"
        onClick={() => download(`${mod.header.namespace}-traits.csv`, writeCsv(mod), 'text/csv')}
      >
        Export CSV
      </Button>
      <FileButton accept=".csv,text/csv" onChange={(file) => void take(file)}>
        {(props) => (
          <Button {...props} variant="default">
            Import CSV
          </Button>
        )}
      </FileButton>
      {read && (
        <CsvDialog
          name={read.name}
          plan={read.plan}
          onClose={() => setRead(undefined)}
          onApply={() => {
            session.edit(`Take in ${read.name}`, read.plan.changes);
            setRead(undefined);
          }}
        />
      )}
    </span>
  );
}
