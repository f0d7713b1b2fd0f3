import * as z from 'zod';

/** The longest text of a kept picture, characters: some four and a half megabytes of picture. */
export const LONGEST_PICTURE = 6_000_000;
/** The longer edge of a kept picture, px. */
export const PICTURE_EDGE = 1600;

const beginning = /^data:image\/(?:jpeg|png|webp);base64,/;
const letters = /^[A-Za-z0-9+/]*={0,2}$/;

/** A picture of a student, as it is kept and given away. */
export const PictureSchema = z.object({
  /** The identity of the still it belongs to. */
  id: z.string().min(1).max(80),
  studentId: z.string().min(1).max(80),
  /** A data address of a JPEG, PNG or WebP: nothing that could run. */
  data: z
    .string()
    .max(LONGEST_PICTURE, 'the picture is too large')
    .refine((data) => {
      const start = beginning.exec(data)?.[0];
      return start !== undefined && letters.test(data.slice(start.length));
    }, 'this is no picture'),
});
export type Picture = z.infer<typeof PictureSchema>;

/** Bytes of the picture behind a data address. */
export const pictureBytes = ({ data }: Pick<Picture, 'data'>): number =>
  Math.floor(((data.length - data.indexOf(',') - 1) * 3) / 4);
