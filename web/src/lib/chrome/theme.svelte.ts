/** Paper by day, night in dark rooms; remembered by the browser. */
class Theme {
  night = $state(localStorage.getItem('theme') === 'night');

  constructor() {
    this.apply();
  }

  toggle(): void {
    this.night = !this.night;
    localStorage.setItem('theme', this.night ? 'night' : 'paper');
    this.apply();
  }

  private apply(): void {
    document.documentElement.classList.toggle('dark', this.night);
  }
}

export const theme = new Theme();
