/** Degrees as radians. */
export const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** Radians as degrees. */
export const deg = (radians: number): number => (radians * 180) / Math.PI;
