// Rows of a table that are fetched as they are looked at, a page at a time.
import { get } from 'verge/frame/http.js';

const PAGE = 100;

export class Rows {
  /** @param address gives the address of so many rows from one on. @param came called when more of them are there. @param failed with what went wrong */
  constructor(address, came, failed) {
    this.address = address;
    this.came = came;
    this.failed = failed;
    this.forget();
  }

  /** What was fetched does not count any more: the table is another one now. */
  forget() {
    this.pages = new Map();
    this.turn = (this.turn ?? 0) + 1;
  }

  /** The row at a place; undefined until it is there, which is asked for. */
  at(place) {
    const page = Math.floor(place / PAGE);
    if (!this.pages.has(page)) {
      this.pages.set(page, null);
      this.fetch(page);
    }
    return this.pages.get(page)?.[place - page * PAGE];
  }

  async fetch(page) {
    const { turn } = this;
    try {
      const told = await get(this.address(page * PAGE, PAGE));
      if (turn === this.turn) {
        this.pages.set(page, told.rows);
        this.came(told);
      }
    } catch (problem) {
      if (turn === this.turn) {
        this.pages.delete(page);
        this.failed(problem);
      }
    }
  }
}
