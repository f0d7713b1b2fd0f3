import * as z from 'zod';
import { DaySchema, MomentSchema } from '@pomek/core';

/** Folders and their permissions as browsers that can write into one give them; not among the types of the platform yet. */
export interface Folder extends FileSystemDirectoryHandle {
  queryPermission(wanted: { readonly mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission(wanted: { readonly mode: 'readwrite' }): Promise<PermissionState>;
  values(): AsyncIterableIterator<FileSystemHandle>;
}

export const FolderSchema = z.custom<Folder>(
  (value) => typeof value === 'object' && value !== null && (value as { kind?: unknown }).kind === 'directory',
);
export const CopyMarkSchema = z.string().regex(/^[a-z0-9]{4,12}$/);

/** A copy that was written and read back. */
export const CopiedSchema = z.object({
  day: DaySchema,
  at: MomentSchema,
  records: z.number().int().min(0),
  bytes: z.number().int().min(0),
  /** Pictures and recordings for which there was no room in one file. */
  leftOut: z.number().int().min(0),
  /** Records that cannot be read, and so are not in it. */
  unreadable: z.number().int().min(0),
});
export type Copied = z.infer<typeof CopiedSchema>;

/** The folder into which copies go, as it is stored. */
export const CopyFolderSchema = z.object({
  id: z.literal('copies'),
  folder: FolderSchema,
  mark: CopyMarkSchema,
  /** The last copy that went into it; null: none yet. */
  last: CopiedSchema.nullable(),
  /** Why the last try failed; empty where it did not. */
  trouble: z.string().max(2000),
});
export type CopyFolder = z.infer<typeof CopyFolderSchema>;

/**
 * Whether something changed since the last copy went into the folder.
 * @param changed when records changed last (ISO 8601, UTC); null where nothing is known of a change
 * @param today YYYY-MM-DD; a copy of a later day was made by a clock that was wrong, and tells nothing
 */
export const isCopyDue = ({ last }: Pick<CopyFolder, 'last'>, changed: string | null, today: string): boolean =>
  last === null || last.day > today || (changed !== null && changed > last.at);
