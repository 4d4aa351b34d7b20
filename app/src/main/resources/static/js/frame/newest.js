// Parts of a page that are asked for faster than they come.

/** Answers that overtake one another: only the latest question's counts. */
export function newest() {
  let asked = 0;
  return async (ask, take) => {
    const mine = ++asked;
    try {
      const part = await ask();
      if (mine === asked && part) {
        take(part);
      }
    } catch {
      // the page stays as it is; sending the form will say what is wrong
    }
  };
}
