export interface ToastMessage {
  id: number;
  text: string;
  kind: 'good' | 'wrong';
  /** Where it leads, with words for the way. */
  href?: string;
  link?: string;
}

class Toasts {
  list = $state<ToastMessage[]>([]);
  private next = 1;

  say(text: string, kind: ToastMessage['kind'] = 'good', way?: { href: string; link: string }): void {
    const message = { id: this.next++, text, kind, ...way };
    this.list.push(message);
    setTimeout(() => this.dismiss(message.id), kind === 'good' ? 6000 : 12_000);
  }

  /** Says what went wrong, whatever was thrown. */
  wrong(thrown: unknown): void {
    this.say(thrown instanceof Error ? thrown.message : String(thrown), 'wrong');
  }

  dismiss(id: number): void {
    this.list = this.list.filter((message) => message.id !== id);
  }
}

export const toasts = new Toasts();
