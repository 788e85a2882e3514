/** The stations of the desk, in the order of the work. */
export const stations = ['Make', 'Recolour', 'Touch up', 'Frames', 'See', 'Facts'] as const;
export type Station = (typeof stations)[number];

/** A station as a part of an address. */
export const pathOf = (station: Station): string => station.toLowerCase().replaceAll(' ', '-');
