import type { Emitter, Template } from 'liquidjs';
import { bounds } from './bounds.ts';

/** A run of letters in what was written, and the part of a template that it came from. */
export interface Span {
  /** Where it begins and ends in what was written. */
  from: number;
  to: number;
  /** The template, and where in it the part begins and ends. */
  file: string;
  begin: number;
  end: number;
  /** Whether the letters stand in the template as they are, one for one. */
  isPlain: boolean;
}

/** Thrown where a template would cost more than it may. */
export class TooMuch extends Error {}

/**
 * What the writing of one file has cost so far. It stands where the engine asks how much time is
 * left, since that is handed on to everything that a template calls.
 */
export class Run {
  private steps = 0;
  private depth = 0;
  private until: number | undefined;

  /** Counts a part of a template that is carried out. */
  step(): void {
    this.steps += 1;
    if (this.steps > bounds.steps)
      throw new TooMuch(
        `It takes more than ${inDigits(bounds.steps)} steps. Does a loop go on for too long?`,
      );
    // The clock is asked now and then: that takes as long as a step does.
    if (this.steps % 64 === 0) this.check(performance.now());
  }

  /** The engine asks this too, with the time in milliseconds. */
  check(now: number): void {
    this.until ??= now + bounds.time;
    if (now > this.until) throw new TooMuch(`It takes more than ${bounds.time / 1000} seconds.`);
  }

  /** Nothing else asks; a bound that is never reached. */
  use(): void {}

  enter(): void {
    this.step();
    this.depth += 1;
    if (this.depth > bounds.depth)
      throw new TooMuch(
        `Templates lie in one another more than ${bounds.depth} deep. Does one render itself?`,
      );
  }

  leave(): void {
    this.depth -= 1;
  }
}

/** Counts what filters make. */
export class Making {
  private made = 0;

  use(count: number): void {
    if (!(count > 0)) return;
    this.made += count;
    if (this.made > bounds.values)
      throw new TooMuch(
        `Its filters make more than ${inDigits(bounds.values)} values and letters.`,
      );
  }

  check(): void {}
}

const inDigits = (count: number): string => count.toLocaleString('en');

/** Where a template writes to. With a list of spans it says where each letter came from. */
export class Written implements Emitter {
  readonly raw: boolean = false;
  private text = '';
  private source: Template | undefined;

  constructor(readonly spans?: Span[]) {}

  get buffer(): string {
    return this.text;
  }

  /** Says which part of a template writes next. */
  comesFrom(part: Template): void {
    this.source = part;
  }

  write(value: unknown): void {
    const text = printed(value);
    if (text === '') return;
    if (this.text.length + text.length > bounds.letters)
      throw new TooMuch(`It writes more than ${inDigits(bounds.letters)} letters.`);
    const from = this.text.length;
    this.text += text;
    if (this.spans && this.source) {
      const { input, begin, end, file = '' } = this.source.token;
      const isPlain = input.startsWith(text, begin) && begin + text.length <= end;
      this.spans.push({ from, to: this.text.length, file, begin, end, isPlain });
    }
  }
}

/**
 * A value as letters. Throws where it is no single value: what that would print is never meant.
 *
 * @example printed(['a', 1, null]) // 'a1'
 */
export function printed(value: unknown): string {
  if (value === undefined || value === null) return '';
  if (typeof value === 'string') return value;
  if (typeof value === 'number' || typeof value === 'boolean') return String(value);
  if (Array.isArray(value)) return value.map(printed).join('');
  throw new Error(
    'This is a group of values, not one. Name one of them, or print all with the filter json.',
  );
}
