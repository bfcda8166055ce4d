/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    services: import('./server/services').Services;
    /** Told how far a file is that takes its time; set where somebody may ask. */
    onProgress?: (done: number, of: number) => void;
    /** What went wrong on the way to a page; set only where one shows it. */
    failure?: import('./server/errors').Failure;
  }
}
