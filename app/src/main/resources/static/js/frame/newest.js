// Parts of a page that are asked for faster than they come.

/**
 * Answers that overtake one another: only the latest question's counts, and only its failure is told. What is made gives whether its question still counted when the answer came; its
 * 'forget' lets none count that is under way.
 */
export function newest() {
  let asked = 0;
  const run = async (ask, take, failed = () => {}) => {
    const mine = ++asked;
    let answer;
    try {
      answer = await ask();
    } catch (problem) {
      mine === asked && failed(problem);
      return mine === asked;
    }
    if (mine === asked && answer !== null && answer !== undefined) {
      take(answer);
    }
    return mine === asked;
  };
  run.forget = () => { asked++; };
  return run;
}
