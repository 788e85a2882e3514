import { Button, Center, Stack, Text, Title } from '@mantine/core';
import { lazy, Suspense } from 'react';
import { Navigate, Route, Routes, useParams } from 'react-router';
import useSWR from 'swr';
import { endpoints, type ModAnswer } from '../core/api/index.ts';
import { call } from './api/client.ts';
import { loadMod } from './api/load-mod.ts';
import { useMods } from './api/mods.ts';
import { pastIn } from './api/past.ts';
import { OpenMod } from './api/hooks.tsx';
import { Frame } from './parts/frame.tsx';
import { Waiting } from './parts/waiting.tsx';
import { firstPlace, places } from './places/places.ts';

const Bench = lazy(() => import('./places/bench/bench.tsx'));
const ModelDesk = lazy(() => import('./places/desk/desk.tsx'));
const Mods = lazy(() => import('./places/mods/mods.tsx'));
const TextureDesk = lazy(() => import('./places/texture-desk/texture-desk.tsx'));
/** Every shared control in its states: for those who work on the page, and in no build. */
const Parts = import.meta.env.DEV ? lazy(() => import('./places/parts/parts.tsx')) : undefined;

/** A place with the addresses that lead to it, its part of the page fetched when it is first opened. */
const routes = places.flatMap(({ path, within = [], load, opens }) => {
  if (opens !== undefined) return [{ path, element: <Navigate to={`../${opens}`} replace /> }];
  if (!load) return [];
  const Place = lazy(() => load().then((component) => ({ default: component })));
  return [path, ...within.map((part) => `${path}/${part}`)].map((address) => ({
    path: address,
    element: <Place />,
  }));
});

/** The places and their addresses. */
export function App() {
  return (
    <Routes>
      <Route index element={<FirstMod />} />
      <Route
        path="mods"
        element={
          <Suspense fallback={<Waiting />}>
            <Mods />
          </Suspense>
        }
      />
      <Route path="m/:mod" element={<ModPlaces />}>
        <Route index element={<Navigate to={firstPlace} replace />} />
        {routes.map(({ path, element }) => (
          <Route key={path} path={path} element={element} />
        ))}
        <Route path="blocks/:block" element={<Bench />} />
        <Route path="blocks/:block/:facet" element={<Bench />} />
        <Route path="models/:model" element={<ModelDesk />} />
        <Route path="models/:model/:station" element={<ModelDesk />} />
        <Route path="textures/:texture" element={<TextureDesk />} />
        <Route path="textures/:texture/:station" element={<TextureDesk />} />
        {Parts && <Route path="parts" element={<Parts />} />}
        <Route path="*" element={<Nowhere />} />
      </Route>
      <Route path="*" element={<Nowhere />} />
    </Routes>
  );
}

/** Goes to the mod that was open last, or to the first one. */
function FirstMod() {
  const { data, error } = useMods();
  if (error) return <Message title="The mods could not be loaded" text={error.message} />;
  if (!data) return <Waiting />;
  const last = localStorage.getItem('obrank.mod');
  const mods = data.filter(({ removed }) => removed === undefined);
  const mod = mods.find((one) => one.name === last) ?? mods[0];
  return <Navigate to={mod ? `/m/${mod.name}/${firstPlace}` : '/mods'} replace />;
}

type Opened = Pick<ModAnswer, 'mod' | 'revision' | 'undo' | 'redo'> & { isPast?: boolean };

/** The mod that an address names: as it is, or as it was. */
async function open(called: string): Promise<Opened> {
  const past = pastIn(called);
  if (!past) return loadMod(called);
  const revision = String(past.revision);
  return { ...(await call(endpoints.getModThen, { mod: past.mod, revision })), isPast: true };
}

function ModPlaces() {
  const { mod = '' } = useParams();
  const { data, error } = useSWR<Opened, Error>(['mod', mod], () => open(mod), {
    revalidateOnFocus: false,
    revalidateOnReconnect: false,
    revalidateIfStale: false,
  });
  if (error) return <Message title="This mod could not be opened" text={error.message} />;
  if (!data) return <Waiting />;
  localStorage.setItem('obrank.mod', pastIn(mod)?.mod ?? mod);
  return (
    <OpenMod name={mod} loaded={data}>
      <Frame />
    </OpenMod>
  );
}

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
        <Button component="a" href="/mods" w="fit-content">
          Go to my mods
        </Button>
      </Stack>
    </Center>
  );
}
