import * as z from 'zod';

/** A picture that is given away to a worker. */
export const FrameSchema = z.custom<ImageBitmap>(
  (value) => typeof value === 'object' && value !== null && 'width' in value && 'height' in value,
  'a frame is no picture',
);
