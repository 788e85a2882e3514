const dayMs = 86_400_000;

/**
 * A moment as people say it: the time alone for today, the day before it otherwise.
 *
 * @example momentInWords('2026-11-27T10:41:00Z', new Date()) // '10:41'
 */
export function momentInWords(time: string, now: Date): string {
  const moment = new Date(time);
  const clock = moment.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const day = dayInWords(moment, now);
  return day === undefined ? clock : `${day}, ${clock}`;
}

/** The day of a moment; undefined for today. */
function dayInWords(moment: Date, now: Date): string | undefined {
  const days = Math.round((startOfDay(now) - startOfDay(moment)) / dayMs);
  if (days === 0) return undefined;
  if (days === 1) return 'yesterday';
  const isThisYear = moment.getFullYear() === now.getFullYear();
  return moment.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    ...(isThisYear ? {} : { year: 'numeric' }),
  });
}

const startOfDay = (date: Date): number =>
  new Date(date.getFullYear(), date.getMonth(), date.getDate()).getTime();

/**
 * A stretch of time as people say it, its day said once.
 *
 * @example spanInWords('2026-11-27T10:02:00Z', '2026-11-27T10:41:00Z', new Date()) // '10:02–10:41'
 */
export function spanInWords(from: string, to: string, now: Date): string {
  const [begin, end] = [momentInWords(from, now), momentInWords(to, now)];
  if (begin === end) return end;
  const clock = end.split(', ').at(-1) ?? end;
  return new Date(from).toDateString() === new Date(to).toDateString()
    ? `${begin}–${clock}`
    : `${begin} – ${end}`;
}
