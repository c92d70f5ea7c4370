import type { ReactNode } from "react";
import { Form } from "react-router";

/**
 * A form that changes a lot. It carries the lot's name, for the case that the change waits for the signal, and the last
 * entry that the page knew, so that what somebody else did meanwhile is not overwritten.
 */
export function LotForm({
  lot,
  from,
  children,
}: {
  lot: { id: string; kind: string; seen: string };
  /** the page it stands on, to come back to; absent: the lot's own */
  from?: string;
  children: ReactNode;
}) {
  return (
    <Form method="post" {...(from ? { action: `/keep/lots/${lot.id}` } : {})} data-noprint>
      {from && <input type="hidden" name="back" value={from} />}
      <input type="hidden" name="lotName" value={lot.kind} />
      <input type="hidden" name="seen" value={lot.seen} />
      {children}
    </Form>
  );
}
