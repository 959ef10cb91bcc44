import { createVirtualizer } from '@tanstack/svelte-virtual';
import { untrack } from 'svelte';
import { fromStore, get } from 'svelte/store';

/** So many are drawn all: they can be found with the browser's own search, and cost nothing. */
const ALL = 150;
/** Drawn above and below what is in sight, so that keys find the next and scrolling does not flicker. */
const BESIDE = 15;

/** Of a long list of lines of one height the part that is in sight, and how high what lies before and after it is. */
export class InSight<T> {
  private scroller = $state.raw<HTMLElement>();
  private readonly virtualizer;
  private readonly now;

  /** @param height of a line, in pixels */
  constructor(
    private readonly list: () => T[],
    height: number,
  ) {
    this.virtualizer = createVirtualizer<HTMLElement, HTMLElement>({
      count: 0,
      getScrollElement: () => this.scroller ?? null,
      estimateSize: () => height,
      overscan: BESIDE,
    });
    this.now = fromStore(this.virtualizer);
    $effect(() => {
      const count = this.list().length;
      void this.scroller;
      untrack(() => get(this.virtualizer).setOptions({ count }));
    });
  }

  /** For what scrolls: `{@attach lines.scrolling}`. */
  readonly scrolling = (element: HTMLElement): (() => void) => {
    this.scroller = element;
    return () => (this.scroller = undefined);
  };

  private readonly lines = $derived.by(() =>
    this.list().length <= ALL
      ? undefined
      : this.now.current.getVirtualItems().filter(({ index }) => this.list()[index]),
  );

  /** What is drawn, with its place in the list. */
  get items(): { item: T; index: number }[] {
    const list = this.list();
    return (
      this.lines?.map(({ index }) => ({ item: list[index]!, index })) ?? list.map((item, index) => ({ item, index }))
    );
  }

  get before(): number {
    return this.lines?.[0]?.start ?? 0;
  }

  get after(): number {
    const last = this.lines?.at(-1);
    return last ? this.now.current.getTotalSize() - last.end : 0;
  }

  /** Brings a line into sight, so that it is drawn. */
  show(index: number): void {
    if (this.lines) get(this.virtualizer).scrollToIndex(index);
  }
}
