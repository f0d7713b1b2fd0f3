import { ChangeDetectionStrategy, Component, effect, input, signal, viewChild, type ElementRef } from '@angular/core';
import type { PDFWorker } from 'pdfjs-dist';

/** So many pages are shown; a long document is looked at as a file. */
const MOST_SHOWN = 12;
/** A page is drawn so many times finer than it is shown at most. */
const FINEST = 2;

/** What reads beside the page, for all papers: one that is put away with its paper could not read the next meanwhile. */
let reader: PDFWorker | null = null;

/** The pages of a PDF, one under the other, as they will be printed. */
@Component({
  selector: 'pk-pdf-pages',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div #pages class="pages" role="img" [attr.aria-label]="'The pages as they are printed: ' + count()"></div>
    @if (more() > 0) {
      <p class="soft">and {{ more() }} more in the file</p>
    }
    @if (problem() !== '') {
      <p role="alert">The pages cannot be shown here: {{ problem() }} The file can be downloaded all the same.</p>
    }
  `,
  styles: `
    .pages {
      display: grid;
      gap: 1rem;
      justify-items: center;
    }
    .pages ::ng-deep canvas {
      display: block;
      width: 100%;
      max-width: 46rem;
      height: auto;
      background: #fff;
      box-shadow: 0 1px 6px rgb(0 0 0 / 30%);
    }
  `,
})
export class PdfPages {
  readonly file = input.required<Blob>();
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('pages');
  protected readonly count = signal(0);
  protected readonly more = signal(0);
  protected readonly problem = signal('');

  constructor() {
    effect((ended) => {
      const [file, place] = [this.file(), this.place().nativeElement];
      const stop = new AbortController();
      ended(() => stop.abort());
      void this.show(file, place, stop.signal).catch((error: unknown) => {
        if (!stop.signal.aborted) this.problem.set(error instanceof Error ? error.message : '');
      });
    });
  }

  private async show(file: Blob, place: HTMLElement, stop: AbortSignal): Promise<void> {
    const { getDocument, PDFWorker: Reader } = await import('pdfjs-dist');
    const { openPdfWorker } = await import('./pdf-worker.client');
    reader ??= Reader.fromPort({ port: openPdfWorker() }) as PDFWorker;
    const isOver = (): boolean => stop.aborted;
    const reading = getDocument({ data: await file.arrayBuffer(), isEvalSupported: false, worker: reader });
    try {
      const document = await reading.promise;
      const shown = Math.min(document.numPages, MOST_SHOWN);
      const drawn: HTMLCanvasElement[] = [];
      const wide = Math.max(280, place.clientWidth) * Math.min(devicePixelRatio, FINEST);
      for (let number = 1; number <= shown; number += 1) {
        if (isOver()) return;
        const page = await document.getPage(number);
        const plain = page.getViewport({ scale: 1 });
        const viewport = page.getViewport({ scale: wide / plain.width });
        const canvas = window.document.createElement('canvas');
        [canvas.width, canvas.height] = [Math.round(viewport.width), Math.round(viewport.height)];
        const canvasContext = canvas.getContext('2d');
        if (canvasContext === null) throw new Error('this browser draws no pictures.');
        await page.render({ canvasContext, viewport }).promise;
        drawn.push(canvas);
        // What was shown before stays until the first page is there.
        if (!isOver()) place.replaceChildren(...drawn);
      }
      if (isOver()) return;
      this.count.set(document.numPages);
      this.more.set(document.numPages - shown);
      this.problem.set('');
    } finally {
      await reading.destroy();
    }
  }
}
