import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { PRESERVED, type Preserved } from "#core/keeping/blanching";
import { LOSS_CAUSES } from "#core/keeping/lot";
import { PRESERVED_WORDS, PRESERVING_CAUTION } from "#core/keeping/words";
import { Cautions } from "../ui/cautions";
import { DateInput } from "../ui/date-input";
import { StepTimer } from "../ui/step-timer";
import { Button, type Faults, Field, Input, Note, Options, Select, shownValue } from "../ui/ui";
import type { lotView } from "./lot.server";
import { LotForm } from "./lot-form";

type View = NonNullable<ReturnType<typeof lotView>>;
type Props = { view: View; faults: Faults };

const Fold = ({ title, open, children }: { title: string; open?: boolean; children: ReactNode }) => (
  <chakra.details borderTopWidth="1px" borderColor="ruleSoft" open={open || undefined}>
    <chakra.summary fontWeight="600" cursor="pointer" minH="52px" display="flex" alignItems="center">
      {title}
    </chakra.summary>
    <Box pb="4">{children}</Box>
  </chakra.details>
);

/** Everything that can be done with a lot, each folded away under its name. */
export function LotActions({ view, faults }: Props) {
  const { lot, places, people, siblings } = view;
  const fault = (kind: string) => Object.keys(faults?.errors ?? {}).some((k) => k.startsWith(`${kind}-`));
  const value = (name: string, usual = "") => shownValue(faults, name, usual);
  const amount = (kind: string, label: string, hint = "A weight, or “6 pieces”. Empty: all that is left.") => (
    <Field name={`${kind}-amount`} label={label} hint={hint} faults={faults}>
      {(p) => <Input {...p} defaultValue={value(`${kind}-amount`)} autoComplete="off" />}
    </Field>
  );
  const note = (kind: string) => (
    <Field name={`${kind}-note`} label="Note" faults={faults}>
      {(p) => <Input {...p} defaultValue={value(`${kind}-note`)} />}
    </Field>
  );
  const place = (kind: string, label: string, stay = false) => (
    <Field name={`${kind}-place`} label={label} faults={faults}>
      {(p) => (
        <Select {...p} defaultValue={value(`${kind}-place`)}>
          <option value="">{stay ? "where it is" : "choose"}</option>
          <Options of={places} />
        </Select>
      )}
    </Field>
  );
  const send = (kind: string, words: string) => (
    <Button type="submit" name="intent" value={kind} mt="3" size="lg">
      {words}
    </Button>
  );
  const two = { base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" };
  return (
    <Box data-noprint>
      <Fold title="Used in the kitchen" open>
        <LotForm lot={lot}>
          <Grid templateColumns={two} gap="3">
            {amount("use", "How much")}
            {note("use")}
          </Grid>
          {send("use", "Write it down")}
        </LotForm>
      </Fold>
      <Fold title="Move it" open={fault("move")}>
        <LotForm lot={lot}>
          {place("move", "To")}
          {places
            .filter((p) => !p.here && p.warnings.length > 0)
            .map((p) => (
              <Text key={p.id} fontSize="sm" color="madder" mt="1">
                {p.name}: {p.warnings.join(" ")}
              </Text>
            ))}
          {send("move", "Move it")}
        </LotForm>
      </Fold>
      <Fold title="Give some away" open={fault("give")}>
        <LotForm lot={lot}>
          <Grid templateColumns={two} gap="3">
            {amount("give", "How much")}
            <Field name="give-who" label="To whom" faults={faults}>
              {(p) => (
                <>
                  <Input {...p} list="takers" defaultValue={value("give-who")} />
                  <datalist id="takers">
                    {people.map((x) => (
                      <option key={x} value={x} />
                    ))}
                  </datalist>
                </>
              )}
            </Field>
          </Grid>
          <Box mt="3">
            <Cautions of={view.giving} title="Before you give it away" />
          </Box>
          {send("give", "Given away")}
        </LotForm>
      </Fold>
      <Fold title="Look at it" open={fault("check")}>
        <LotForm lot={lot}>
          {view.cure && (
            <Text mb="2" color="inkSoft">
              {view.cure.test}
            </Text>
          )}
          <Grid templateColumns={two} gap="3">
            {(view.cure || view.ripening) && (
              <Field name="check-ready" label={view.cure ? "Cured?" : "Ripe?"} faults={faults}>
                {(p) => (
                  <Select {...p} defaultValue={value("check-ready")}>
                    <option value="">not tried</option>
                    <option value="ready">yes</option>
                    <option value="not-yet">not yet</option>
                  </Select>
                )}
              </Field>
            )}
            {note("check")}
          </Grid>
          {send("check", "Looked at")}
        </LotForm>
      </Fold>
      <Fold title="Some is lost" open={fault("lose")}>
        <LotForm lot={lot}>
          <Grid templateColumns={two} gap="3">
            {amount("lose", "How much")}
            <Field name="lose-cause" label="Why" faults={faults}>
              {(p) => (
                <Select {...p} defaultValue={value("lose-cause", LOSS_CAUSES[0])}>
                  <Options of={LOSS_CAUSES} />
                </Select>
              )}
            </Field>
          </Grid>
          <Text fontSize="sm" color="inkSoft" mt="1">
            Throw out what is mouldy or smells wrong; do not taste it to find out.
          </Text>
          {send("lose", "Lost")}
        </LotForm>
      </Fold>
      <Fold title="Put some by" open={fault("preserve")}>
        <PutBy view={view} faults={faults} place={place} amount={amount} note={note} send={send} />
      </Fold>
      <Fold title={lot.useBy ? "Its own use-by date" : "Give it a use-by date"} open={fault("date")}>
        <LotForm lot={lot}>
          <Text mb="2" color="inkSoft">
            Your date goes before the handbook’s keeping time, wherever it lies. Both empty: the handbook’s holds again.
          </Text>
          <Grid templateColumns={two} gap="3">
            <Field name="date-until" label="Good until" faults={faults}>
              {(p) => <DateInput {...p} defaultValue={value("date-until", lot.useBy)} />}
            </Field>
            <Flex gap="2" align="end">
              <Box flex="1">
                <Field name="date-keeps" label="Or it keeps for" faults={faults}>
                  {(p) => <Input {...p} inputMode="decimal" defaultValue={value("date-keeps")} autoComplete="off" />}
                </Field>
              </Box>
              <Select
                name="date-unit"
                aria-label="days, weeks or months"
                w="7rem"
                defaultValue={value("date-unit", "weeks")}
              >
                {["days", "weeks", "months"].map((u) => (
                  <option key={u}>{u}</option>
                ))}
              </Select>
            </Flex>
          </Grid>
          {send("date", "Keep to it")}
        </LotForm>
      </Fold>
      <Fold title="Set a part apart" open={fault("split")}>
        <LotForm lot={lot}>
          <Grid templateColumns={two} gap="3">
            {amount("split", "How much", "It becomes a lot of its own.")}
            {place("split", "Lies", true)}
            {note("split")}
          </Grid>
          {send("split", "Set it apart")}
        </LotForm>
      </Fold>
      {siblings.length > 0 && (
        <Fold title="Lay it together with another" open={fault("merge")}>
          <LotForm lot={lot}>
            <Field
              name="merge-lot"
              label="With"
              hint="Kinds keep for different times: apart is better. What is laid together counts as the other lot."
              faults={faults}
            >
              {(p) => (
                <Select {...p} defaultValue={value("merge-lot")}>
                  <option value="">choose</option>
                  {siblings.map((x) => (
                    <option key={x.id} value={x.id}>
                      {x.name}
                      {x.same ? "" : " (another kind)"}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
            {send("merge", "Lay them together")}
          </LotForm>
        </Fold>
      )}
      <Text fontSize="sm" color="inkSoft" mt="2">
        {lot.left} left.
      </Text>
    </Box>
  );
}

type PutByProps = Props & {
  place: (kind: string, label: string, stay?: boolean) => ReactNode;
  amount: (kind: string, label: string, hint?: string) => ReactNode;
  note: (kind: string) => ReactNode;
  send: (kind: string, words: string) => ReactNode;
};

/** Freezing, drying, jars: weights in and out, the blanching time with its clock, and the cautions of the step. */
function PutBy({ view, faults, place, amount, note, send }: PutByProps) {
  const [how, setHow] = useState<Preserved>((faults?.typed["preserve-how"] as Preserved) || "frozen");
  const { blanch, cautions, lot } = view;
  const minutes = blanch.least;
  return (
    <LotForm lot={lot}>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" }} gap="3">
        <Field name="preserve-how" label="How" faults={faults}>
          {(p) => (
            <Select {...p} value={how} onChange={(e) => setHow(e.target.value as Preserved)}>
              <Options of={PRESERVED} say={(x) => PRESERVED_WORDS[x]} />
            </Select>
          )}
        </Field>
        {amount("preserve", "How much went in")}
        <Field
          name="preserve-out"
          label="What came out weighs"
          hint="Empty: as much as went in, an estimate."
          faults={faults}
        >
          {(p) => <Input {...p} defaultValue={shownValue(faults, "preserve-out", "")} />}
        </Field>
        {place("preserve", "Kept in", true)}
        {note("preserve")}
      </Grid>
      {how === "frozen" && (
        <Box mt="3">
          {minutes !== null ? (
            <>
              <Text mb="2">
                Blanch {minutes === blanch.most ? `${minutes}` : `${minutes} to ${blanch.most}, by size,`} minutes in
                boiling water{blanch.high ? ", a minute of it for the height you live at" : ""}; {blanch.steam} in
                steam. Time starts when the water boils again. Then iced water for as long.
              </Text>
              <StepTimer minutes={minutes} label={`${minutes} minutes`} after="Into iced water now, for as long." />
              <Text fontSize="sm" color="inkSoft" mt="2">
                US National Center for Home Food Preservation, from memory. Steam and boiling water scald: lift the lid
                away from you.
              </Text>
            </>
          ) : (
            <Text>
              {blanch.cook ? "Cook it through before freezing." : "No blanching time is published for it here."}
            </Text>
          )}
        </Box>
      )}
      <Flex direction="column" gap="2" mt="3">
        {cautions[how].map((c) => (
          <Text key={c} color="madder" fontWeight="600" fontSize="sm">
            {c}
          </Text>
        ))}
        <Note tone="caution">{PRESERVING_CAUTION}</Note>
      </Flex>
      {send("preserve", "Put by")}
    </LotForm>
  );
}
