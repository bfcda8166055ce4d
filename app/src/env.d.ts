/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    services: import('./server/services').Services;
  }
}
