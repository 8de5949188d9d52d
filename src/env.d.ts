declare namespace App {
  interface Locals {
    /** What an address answers, as a page is sent with it. */
    readonly answerOf: (address: string) => Promise<import('./islands/app/data').Sent[number]>;
  }
}
