declare namespace App {
  interface Locals {
    /** The pattern of the address that was asked for, for the log. */
    route?: string;
  }
}
