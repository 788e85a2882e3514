import { Center, Loader } from '@mantine/core';

/** Stands where something is still being fetched. */
export const Waiting = ({ height = '100vh' }: { height?: string }) => (
  <Center h={height}>
    <Loader aria-label="Loading" />
  </Center>
);
