import { Injectable, signal } from '@angular/core';

export interface Notice {
  readonly id: number;
  readonly kind: 'done' | 'failure';
  readonly title: string;
  readonly detail: string;
  /** Whether the last change can be taken back from here. */
  readonly undo: boolean;
  /** Takes back what is no step of undo; null where nothing is to be. */
  readonly takeBack: (() => void) | null;
}

/** How long what was done stands there, ms; longer where it can be taken back only from there. */
const [STANDS_MS, TAKEN_BACK_MS] = [8000, 30_000];

/** The one surface on which the app says what happened, what was kept and what to do. */
@Injectable({ providedIn: 'root' })
export class Notices {
  private next = 1;
  private readonly list = signal<readonly Notice[]>([]);
  readonly open = this.list.asReadonly();

  done(title: string, options: { detail?: string; undo?: boolean; takeBack?: () => void } = {}): void {
    const { detail = '', undo = false, takeBack = null } = options;
    this.show({ kind: 'done', title, detail, undo, takeBack });
  }

  /** Says what went wrong; the same again takes the place of what still stands. Gives the notice's id. */
  failure(title: string, error: unknown): number {
    return this.show({ kind: 'failure', title, detail: reasonOf(error), undo: false, takeBack: null });
  }

  close(id: number): void {
    this.list.update((notices) => notices.filter((notice) => notice.id !== id));
  }

  private show(notice: Omit<Notice, 'id'>): number {
    const id = this.next++;
    const others = this.list().filter(({ title, detail }) => title !== notice.title || detail !== notice.detail);
    this.list.set([...others.slice(-2), { ...notice, id }]);
    if (notice.kind === 'done') setTimeout(() => this.close(id), notice.takeBack === null ? STANDS_MS : TAKEN_BACK_MS);
    return id;
  }
}

/** Whether the storage had no room: said by the write itself, or by the transaction that it ended. */
function isFull(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { name, message, inner } = error as Error & { inner?: unknown };
  return `${name} ${message}`.includes('QuotaExceededError') || isFull(inner);
}

/** What a schema found wrong; known by its shape, so that no schema is loaded for the first page. */
const issuesOf = (issues: unknown): string =>
  (Array.isArray(issues) ? (issues as { readonly message: string }[]) : []).map(({ message }) => message).join('. ');

/** An error in words a teacher can act on. */
export function reasonOf(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (isFull(error)) return 'The browser has no room left. Export your data under Files, then free some space.';
  if (name === 'InvalidStateError' || name === 'DatabaseClosedError')
    return 'The browser closed its storage. Reload the page; what was saved is still there.';
  if (error instanceof Error && 'issues' in error) return issuesOf(error.issues);
  return error instanceof Error ? error.message : String(error);
}
