import { createSocket } from 'node:dgram';

/** A UDP port of this machine that nobody uses just now. */
export const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const socket = createSocket('udp4');
    socket.once('error', reject);
    socket.bind(0, '127.0.0.1', () => {
      const { port } = socket.address();
      socket.close(() => resolve(port));
    });
  });
