/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    services: import('./server/services').Services;
    /** Who sent the request; null without a session. Undefined in the threads that render sheets. */
    person?: import('./server/access/roles').Person | null;
    /** Whether the browser speaks to us under TLS. */
    secure?: boolean;
    /** The address of who asks. */
    from?: string;
    /** Told how far a file is that takes its time; set where somebody may ask. */
    onProgress?: (done: number, of: number) => void;
    /** What went wrong on the way to a page; set only where one shows it. */
    failure?: import('./server/errors').Failure;
  }
}
