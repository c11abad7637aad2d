import {
  type ApplicationConfig,
  ErrorHandler,
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  inject,
  provideEnvironmentInitializer,
} from '@angular/core';
import { provideRouter, withNavigationErrorHandler } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { registerIcons } from '../ui/icons';
import { WorkspaceStore } from '../state/workspace/workspace.store';
import { routes } from './routes';
import { TellErrors } from './tell-errors';

/** A room is loaded when it is entered first; where that fails, one stays where one is and is told. */
function tellWhatCannotBeLoaded(): void {
  inject(WorkspaceStore).notify('This page could not be loaded. Check your network and try again.');
}

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideEnvironmentInitializer(registerIcons),
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useClass: TellErrors },
    provideRouter(routes, withNavigationErrorHandler(tellWhatCannotBeLoaded)),
    provideServiceWorker('ngsw-worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: 'registerWhenStable:10000',
    }),
  ],
};
