/** Does something when the page has nothing else to do. @returns calls it off */
export function whenResting(work: () => void): () => void {
  if (typeof requestIdleCallback === "function") {
    const asked = requestIdleCallback(work, { timeout: 1500 });
    return () => cancelIdleCallback(asked);
  }
  const asked = setTimeout(work, 300);
  return () => clearTimeout(asked);
}
