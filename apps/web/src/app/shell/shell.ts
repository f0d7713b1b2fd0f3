import {
  ChangeDetectionStrategy,
  Component,
  Injector,
  afterNextRender,
  computed,
  effect,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { filter, map } from 'rxjs';
import { Notices } from '../data/notices';
import { SPACE, rememberSpace } from '../data/space';
import { Opening } from '../data/opening';
import { Steps } from '../data/steps';
import { CommandPalette, KeysList, NoticesView, SchoolDrawer } from './aside';
import { places } from './places';
import { readLight, setLight } from './light';

/** Fields in which there is nothing to type. */
const pressed = new Set(['checkbox', 'radio', 'range', 'file', 'button']);
/** Whether the browser's own undo is wanted: in text, but not in fields whose every change is kept at once. */
const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  !('appUndo' in target.dataset) &&
  !(target instanceof HTMLInputElement && pressed.has(target.type)) &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

@Component({
  selector: 'pk-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet, RouterLink, RouterLinkActive, NoticesView, SchoolDrawer, CommandPalette, KeysList],
  templateUrl: './shell.html',
  styleUrl: './shell.scss',
  host: { '(document:keydown)': 'onKey($event)' },
})
export class Shell {
  private readonly router = inject(Router);
  protected readonly notices = inject(Notices);
  private readonly main = viewChild.required<ElementRef<HTMLElement>>('main');
  private readonly injector = inject(Injector);
  protected readonly steps = inject(Steps);
  protected readonly opening = inject(Opening);
  protected readonly space = inject(SPACE);
  protected readonly places = places;
  protected readonly light = signal(readLight());
  protected readonly schoolsOpen = signal(false);
  protected readonly paletteOpen = signal(false);
  protected readonly schoolsWanted = signal(false);
  protected readonly paletteWanted = signal(false);
  protected readonly keysOpen = signal(false);
  protected readonly keysWanted = signal(false);

  protected readonly navigated = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map((event) => event.urlAfterRedirects),
    ),
    { initialValue: '' },
  );
  protected readonly fullScreen = computed(() => /^\/practise\/./.test(this.navigated()));

  constructor() {
    effect(() => document.documentElement.classList.toggle('from-afar', this.fullScreen()));
    let before = '';
    effect(() => {
      const path = this.navigated().split(/[?#]/)[0]!;
      if (before !== '' && path !== before) this.main().nativeElement.focus({ preventScroll: true });
      before = path;
    });
    // The first page stands before the storage is open.
    const first = effect(() => {
      if (this.navigated() === '') return;
      first.destroy();
      afterNextRender(() => this.opening.stands(() => void this.begin()), { injector: this.injector });
    });
  }

  private async begin(): Promise<void> {
    try {
      const { begin } = await import('../today/day');
      await begin(this.injector);
    } catch (error) {
      this.notices.failure('The storage could not be opened', error);
    }
  }

  protected onKey(event: KeyboardEvent): void {
    const held = event.ctrlKey || event.metaKey;
    const key = event.key.toLowerCase();
    if (held && key === 'k' && !this.fullScreen()) {
      event.preventDefault();
      this.openPalette();
    } else if (held && key === 'z' && !isTyping(event.target)) {
      event.preventDefault();
      void (event.shiftKey ? this.redo() : this.undo());
    } else if (held && key === 'y' && !isTyping(event.target)) {
      event.preventDefault();
      void this.redo();
    } else if (event.key === 'F6') {
      event.preventDefault();
      void this.nextSection(event.shiftKey);
    } else if (event.key === '?' && !held && !isTyping(event.target)) {
      event.preventDefault();
      this.openKeys();
    }
  }

  /** Leads to the next section of the page, or of what lies over it. */
  private async nextSection(back: boolean): Promise<void> {
    const { SectionKeys } = await import('./section-keys');
    const from = document.activeElement;
    const page = from?.closest<HTMLElement>('[role=dialog]') ?? document.body;
    this.injector.get(SectionKeys).next(page, from, back)?.focus();
  }

  protected async undo(): Promise<void> {
    const label = await this.steps.undo().catch(() => null);
    if (label !== null) this.notices.done(`Undone: ${label}`);
  }

  protected async redo(): Promise<void> {
    const label = await this.steps.redo().catch(() => null);
    if (label !== null) this.notices.done(`Redone: ${label}`);
  }

  protected openKeys(): void {
    this.keysWanted.set(true);
    this.keysOpen.set(true);
  }

  protected turnLight(): void {
    const next = this.light() === 'day' ? 'hall' : 'day';
    setLight(next);
    this.light.set(next);
  }

  protected openSchools(): void {
    this.schoolsWanted.set(true);
    this.schoolsOpen.set(true);
  }

  protected openPalette(): void {
    this.paletteWanted.set(true);
    this.paletteOpen.set(true);
  }

  protected changeSpace(): void {
    rememberSpace(this.space === 'demo' ? 'own' : 'demo');
    location.assign('/today');
  }
}
