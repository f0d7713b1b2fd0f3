import { Injectable, signal } from '@angular/core';
import { ZodError } from 'zod';

export interface Notice {
  readonly id: number;
  readonly kind: 'done' | 'failure';
  readonly title: string;
  readonly detail: string;
  /** Whether the last change can be taken back from here. */
  readonly undo: boolean;
}

/** The one surface on which the app says what happened, what was kept and what to do. */
@Injectable({ providedIn: 'root' })
export class Notices {
  private next = 1;
  private readonly list = signal<readonly Notice[]>([]);
  readonly open = this.list.asReadonly();

  done(title: string, options: { detail?: string; undo?: boolean } = {}): void {
    this.show({ kind: 'done', title, detail: options.detail ?? '', undo: options.undo ?? false });
  }

  failure(title: string, error: unknown): void {
    this.show({ kind: 'failure', title, detail: reasonOf(error), undo: false });
  }

  close(id: number): void {
    this.list.update((notices) => notices.filter((notice) => notice.id !== id));
  }

  private show(notice: Omit<Notice, 'id'>): void {
    const id = this.next++;
    this.list.update((notices) => [...notices.slice(-2), { ...notice, id }]);
    if (notice.kind === 'done') setTimeout(() => this.close(id), 8000);
  }
}

/** An error in words a teacher can act on. */
export function reasonOf(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'QuotaExceededError')
    return 'The browser has no room left. Export your data under Files, then free some space.';
  if (name === 'InvalidStateError' || name === 'DatabaseClosedError')
    return 'The browser closed its storage. Reload the page; what was saved is still there.';
  if (error instanceof ZodError) return error.issues.map((issue) => issue.message).join('. ');
  return error instanceof Error ? error.message : String(error);
}
