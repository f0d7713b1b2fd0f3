import './jitless';
import { render } from 'preact';
import { SHEET_MARK, SheetSchema } from '@pomek/core';
import { App } from './app';

/** What the page shows where its data cannot be read. */
function Unreadable({ why }: { readonly why: string }) {
  return (
    <main class="page">
      <h1>This sheet cannot be opened</h1>
      <p>It is damaged, or was changed on its way. Ask your teacher for it once more.</p>
      <p class="small">{why}</p>
    </main>
  );
}

/** Practice at night or at dawn: the page is dark wherever the phone is set so. */
function followNight(): void {
  const night = matchMedia('(prefers-color-scheme: dark)');
  const turn = (): void => {
    document.documentElement.classList.toggle('night', night.matches);
  };
  night.addEventListener('change', turn);
  turn();
}

const place = document.getElementById('app')!;

/** @param looked whether the teacher only looks at it, before it is given */
function show(data: () => unknown, looked: boolean): void {
  try {
    const sheet = SheetSchema.parse(data());
    document.title = `Practice of ${sheet.student.name}`;
    render(<App key={sheet.id} sheet={sheet} looked={looked} />, place);
  } catch (error) {
    render(<Unreadable why={error instanceof Error ? error.message.slice(0, 300) : ''} />, place);
  }
}

/** A page without data is looked at within Pomek, which hands the data over; nobody else may. */
function whenHanded(): void {
  addEventListener('message', ({ source, origin, data }: MessageEvent<unknown>) => {
    if (source === parent && origin === location.origin) show(() => data, true);
  });
}

followNight();
const text = document.getElementById('sheet')?.textContent.trim() ?? '';
if (text === SHEET_MARK && parent !== window) whenHanded();
else show(() => JSON.parse(text) as unknown, false);
