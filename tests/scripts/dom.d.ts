/* What the scripts ask of elements that they found by a selector, and of the targets of events: the page's templates see
   to it that these are what they are taken for. Names that are not listed here are faults. */
interface Element {
  readonly dataset: DOMStringMap;
  readonly elements: any;
  readonly form: any;
  name: any;
  value: any;
  hidden: any;
  clock: any;
  focus(options?: FocusOptions): void;
  click(): void;
  requestSubmit(submitter?: HTMLElement): void;
  showModal(): void;
}
interface EventTarget {
  closest(selectors: string): any;
}
interface Event {
  readonly detail: any;
}
