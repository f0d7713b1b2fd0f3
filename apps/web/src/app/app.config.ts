import { ErrorHandler, inject, isDevMode, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling, withPreloading } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { Notices } from './data/notices';
import { SPACE, type Space } from './data/space';
import { offlineWhenQuiet } from './shell/offline-when-quiet';
import { PreloadWhenIdle } from './shell/preload-when-idle';
import { pomekPreset } from './ui/preset';

/** Sends what nobody caught to the one error surface. */
class NoticeErrorHandler implements ErrorHandler {
  private readonly notices = inject(Notices);

  handleError(error: unknown): void {
    console.error(error);
    this.notices.failure('Something went wrong. What you saved is still there', error);
  }
}

/** The providers of the app in one of its two spaces. */
export const appConfig = (space: Space): ApplicationConfig => ({
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(
      routes,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'top' }),
      withPreloading(PreloadWhenIdle),
    ),
    providePrimeNG({
      theme: {
        preset: pomekPreset,
        options: { darkModeSelector: '.hall', cssLayer: { name: 'primeng', order: 'primeng' } },
      },
    }),
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode(), registrationStrategy: offlineWhenQuiet }),
    { provide: SPACE, useValue: space },
    { provide: ErrorHandler, useClass: NoticeErrorHandler },
  ],
});
