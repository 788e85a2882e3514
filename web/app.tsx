import { Button, Center, Loader, Stack, Text, Title } from '@mantine/core';
import { lazy, Suspense } from 'react';
import { Navigate, Route, Routes, useParams } from 'react-router';
import useSWR from 'swr';
import type { Mod } from '../core/mod/index.ts';
import { getJson } from './api/client.ts';
import { OpenMod } from './api/hooks.tsx';
import { Frame } from './parts/frame.tsx';
import { Blocks } from './places/blocks/blocks.tsx';
import { Build } from './places/build/build.tsx';
import { InspectionPlace } from './places/inspection/inspection.tsx';
import { Library } from './places/library/library.tsx';
import { Sheet } from './places/sheet/sheet.tsx';
import { NewMod } from './places/blocks/new-mod.tsx';

const ToolLadder = lazy(() =>
  import('./places/data/tool-ladder.tsx').then((place) => ({ default: place.ToolLadder })),
);
const Tags = lazy(() =>
  import('./places/data/tags.tsx').then((place) => ({ default: place.Tags })),
);
const Items = lazy(() =>
  import('./places/data/items.tsx').then((place) => ({ default: place.Items })),
);
const Recipes = lazy(() =>
  import('./places/data/recipes/recipes.tsx').then((place) => ({ default: place.Recipes })),
);
const LootTables = lazy(() =>
  import('./places/data/loot-tables.tsx').then((place) => ({ default: place.LootTables })),
);
const Groups = lazy(() =>
  import('./places/data/groups.tsx').then((place) => ({ default: place.Groups })),
);
const TextsTable = lazy(() =>
  import('./places/data/texts.tsx').then((place) => ({ default: place.TextsTable })),
);
const Registry = lazy(() =>
  import('./places/data/registry.tsx').then((place) => ({ default: place.Registry })),
);
const TraitTable = lazy(() =>
  import('./places/data/trait-table.tsx').then((place) => ({ default: place.TraitTable })),
);
const Bench = lazy(() => import('./places/bench/bench.tsx'));

/** The places and their addresses. */
export function App() {
  return (
    <Routes>
      <Route index element={<FirstMod />} />
      <Route path="m/:mod" element={<ModPlaces />}>
        <Route index element={<Navigate to="blocks" replace />} />
        <Route path="blocks" element={<Blocks />} />
        <Route path="blocks/:block" element={<Bench />} />
        <Route path="blocks/:block/:facet" element={<Bench />} />
        <Route path="library" element={<Library />} />
        <Route path="data" element={<Navigate to="traits" replace />} />
        <Route path="data/traits" element={<TraitTable />} />
        <Route path="data/tools" element={<ToolLadder />} />
        <Route path="data/tags" element={<Tags />} />
        <Route path="data/items" element={<Items />} />
        <Route path="data/items/:item" element={<Items />} />
        <Route path="data/recipes" element={<Recipes />} />
        <Route path="data/recipes/:recipe" element={<Recipes />} />
        <Route path="data/loot" element={<LootTables />} />
        <Route path="data/loot/:table" element={<LootTables />} />
        <Route path="data/groups" element={<Groups />} />
        <Route path="data/texts" element={<TextsTable />} />
        <Route path="data/registry" element={<Registry />} />
        <Route path="inspection" element={<InspectionPlace />} />
        <Route path="sheet" element={<Sheet />} />
        <Route path="build" element={<Build />} />
        <Route path="*" element={<Nowhere />} />
      </Route>
      <Route path="*" element={<Nowhere />} />
    </Routes>
  );
}

/** Goes to the mod that was open last, or to the first one. */
function FirstMod() {
  const { data, error } = useSWR<{ name: string }[], Error>('/api/mods', getJson);
  if (error) return <Message title="The mods could not be loaded" text={error.message} />;
  if (!data) return <Waiting />;
  const last = localStorage.getItem('obrank.mod');
  const mod = data.find((one) => one.name === last) ?? data[0];
  return mod ? (
    <Navigate to={`/m/${mod.name}/blocks`} replace />
  ) : (
    <NewMod opened onClose={() => undefined} />
  );
}

function ModPlaces() {
  const { mod = '' } = useParams();
  const { data, error } = useSWR<{ mod: Mod; revision: number }, Error>(
    `/api/mods/${mod}`,
    getJson,
    { revalidateOnFocus: false, revalidateOnReconnect: false, revalidateIfStale: false },
  );
  if (error) return <Message title="This mod could not be opened" text={error.message} />;
  if (!data) return <Waiting />;
  localStorage.setItem('obrank.mod', mod);
  return (
    <OpenMod name={mod} loaded={data}>
      <Suspense fallback={<Waiting />}>
        <Frame />
      </Suspense>
    </OpenMod>
  );
}

const Waiting = () => (
  <Center h="100vh">
    <Loader aria-label="Loading" />
  </Center>
);

const Nowhere = () => (
  <Message
    title="There is nothing here"
    text="The address leads to no place of Obrank. What was here may have been renamed or removed."
  />
);

function Message({ title, text }: { title: string; text: string }) {
  return (
    <Center h="80vh">
      <Stack gap="xs" maw={460}>
        <Title order={2} size="lg">
          {title}
        </Title>
        <Text>{text}</Text>
        <Button component="a" href="/" w="fit-content">
          Go to my mods
        </Button>
      </Stack>
    </Center>
  );
}
