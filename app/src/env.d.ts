/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    services: import('./server/services').Services;
    /** What went wrong on the way to a page; set only where one shows it. */
    failure?: import('./server/errors').Failure;
  }
}
