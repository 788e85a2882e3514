/** What comes of it where a fluid touches something. */
export interface Meeting {
  /** The block or the other fluid that it touches, by its id. Its own kind it does not meet. */
  with: string;
  /** The block that its own cell becomes, or the fluid of which it becomes a source. */
  becomes: string;
}

/** How a fluid moves. */
export interface FluidPhysics {
  /**
   * The level of a source, 1 to 15: each cell that it runs to over flat ground is one lower, so it
   * reaches one cell less far than this.
   */
  reach: number;
  /** Ticks from one cell to the next: the viscosity. */
  pace: number;
  /** A fluid that is lighter than air rises: it falls upwards. */
  rises?: boolean;
  /** A cell between two sources, over something that holds it, becomes a source. */
  renews?: boolean;
  /** The block that it leaves where what has flowed runs dry. */
  leaves?: string;
  meets?: readonly Meeting[];
}

/**
 * The ticks after which so many steps of a fluid are done.
 *
 * @example fluidTicks({ reach: 5, pace: 8 }, 4) // 32
 */
export const fluidTicks = ({ pace }: Pick<FluidPhysics, 'pace'>, steps: number): number =>
  pace * steps;
