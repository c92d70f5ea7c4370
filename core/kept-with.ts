/**
 * Answers that are worked out once for an object and kept with it for as long as it lives: a station's record, a usual
 * year, a garden as it stands. What is asked of is never changed in place; a new one is asked anew.
 * @returns asks: `question` names what is asked, with all that the answer hangs on besides the object
 */
export function keptWith<Of extends object>(): <T>(of: Of, question: string, find: () => T) => T {
  const known = new WeakMap<Of, Map<string, unknown>>();
  return <T>(of: Of, question: string, find: () => T): T => {
    const answers = known.get(of) ?? new Map<string, unknown>();
    known.set(of, answers);
    if (answers.has(question)) return answers.get(question) as T;
    const answer = find();
    answers.set(question, answer);
    return answer;
  };
}
