import { ChangeDetectionStrategy, Component, isDevMode, provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { RouterLink, RouterOutlet, provideRouter } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import Aura from '@primeuix/themes/aura';
import { Button } from 'primeng/button';
import { providePrimeNG } from 'primeng/config';

@Component({
  selector: 'bare-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, RouterLink],
  template: `<h1>Bare page</h1>
    <a routerLink="/later">Later</a>
    <p-button label="Ready" />`,
})
class BarePage {}

@Component({
  selector: 'bare-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet],
  template: `<router-outlet />`,
})
class BareRoot {}

/**
 * The page the benchmark measures the app against: Angular with its router and service worker, PrimeNG
 * with its stock preset, one button; no data, no storage, no validation. Its one later view stands for what any
 * view needs that lists what is stored.
 */
void bootstrapApplication(BareRoot, {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter([
      { path: '', component: BarePage },
      { path: 'later', loadComponent: async () => (await import('./later')).BareLater },
    ]),
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode() }),
    providePrimeNG({ theme: { preset: Aura } }),
  ],
});
