import { Injectable } from '@angular/core';

/** Films that were opened since the page was loaded, by the still that was taken of them. They are not kept. */
@Injectable({ providedIn: 'root' })
export class OpenFilms {
  private readonly files = new Map<string, File>();

  set(stillId: string, file: File): void {
    this.files.set(stillId, file);
  }

  of(stillId: string): File | null {
    return this.files.get(stillId) ?? null;
  }
}
