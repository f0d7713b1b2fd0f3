import './jitless';
import { render } from 'preact';
import { SheetSchema } from '@pomek/core';
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

function open(): void {
  const place = document.getElementById('app')!;
  try {
    const sheet = SheetSchema.parse(JSON.parse(document.getElementById('sheet')?.textContent ?? ''));
    document.title = `Practice of ${sheet.student.name}`;
    render(<App sheet={sheet} />, place);
  } catch (error) {
    render(<Unreadable why={error instanceof Error ? error.message.slice(0, 300) : ''} />, place);
  }
}
followNight();
open();
