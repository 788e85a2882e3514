import { notifications } from '@mantine/notifications';
import { messageOf } from '../../core/words/index.ts';

/** Says at the foot of the page why something could not be done, long enough to be read. */
export const complain = (error: unknown): string =>
  notifications.show({ message: messageOf(error), color: 'brick', autoClose: 9000 });
