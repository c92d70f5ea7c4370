import { Flex, Grid, Kbd, Progress, Skeleton, Text } from "@chakra-ui/react";
import { Shovel } from "lucide-react";
import { useState } from "react";
import { z } from "zod";
import { CheckedForm } from "../ui/checked-form";
import { CountInput } from "../ui/count-input";
import { CropGlyph } from "../ui/crop-glyph";
import { DateInput } from "../ui/date-input";
import { FiguresTable } from "../ui/figures-table";
import { FileInput } from "../ui/file-input";
import { Fold, LateFold } from "../ui/fold";
import { formSchema } from "../ui/form-schema";
import { Hint } from "../ui/hint";
import { Slide } from "../ui/slide";
import { Term } from "../ui/term";
import { Tickbox } from "../ui/tickbox";
import { SeveralTiles, Tiles } from "../ui/tiles";
import {
  Anchor,
  Button,
  Empty,
  Field,
  FormError,
  Input,
  LinkButton,
  Note,
  Page,
  Section,
  Select,
  TextArea,
} from "../ui/ui";
import type { Route } from "./+types/parts-page";

export const meta: Route.MetaFunction = () => [{ title: "Parts of the interface · Akmedon" }];

const LOOKS = ["solid", "outline", "quiet", "danger"] as const;
const tried = formSchema(
  z.object({ weight: z.string().min(1, "write how much it weighs"), day: z.string() }),
  (typed) => ({ row: { weight: typed.weight?.trim() ?? "", day: typed.day ?? "" } }),
);
const FAULTS = { errors: { length: "write it like 3.5 or 3.5 m" }, typed: { length: "long" } };

const COUNTED = { errors: { counted: "write a whole number, like 12" }, typed: {} };

const STAGES = [
  { value: "green", picture: <CropGlyph kind="tomato" stage={0.2} size={38} />, text: "green" },
  { value: "turning", picture: <CropGlyph kind="tomato" stage={0.8} size={38} />, text: "turning" },
  { value: "red", picture: <CropGlyph kind="tomato" stage={1.3} size={38} />, text: "red" },
];

/** Every part that pages are made of, in its states: for who builds a page, and for the tests of all looks. */
export default function PartsPage() {
  const [on, setOn] = useState(true);
  const [much, setMuch] = useState(1.2);
  const [stage, setStage] = useState<readonly string[]>(["turning"]);
  const [some, setSome] = useState<readonly string[]>(["green", "red"]);
  return (
    <Page title="Parts of the interface" lead="What every page is made of, in all its states. Nothing here is kept.">
      <Section title="To press" note="solid for the one thing a page is for">
        {(["lg", "md", "sm"] as const).map((size) => (
          <Flex key={size} gap="3" mb="3" wrap="wrap" align="center">
            {LOOKS.map((look) => (
              <Button key={look} type="button" variant={look} size={size}>
                {look}
              </Button>
            ))}
            <Button type="button" size={size} disabled>
              not now
            </Button>
            <LinkButton to="/parts" size={size} variant="outline">
              a link
            </LinkButton>
          </Flex>
        ))}
        <Text>
          A word of our own has its <Term of="lot" /> beside it; a <Anchor to="/parts">link in a line</Anchor> is
          underlined; a key is shown as <Kbd>g</Kbd>.{" "}
          <Hint words="A word more, for who rests on it.">
            <Button type="button" variant="quiet" size="sm">
              rest on me
            </Button>
          </Hint>
        </Text>
      </Section>
      <Section title="To write and choose">
        <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr 1fr" }} gap="5">
          <Field name="kind" label="A line" hint="With a hint under it." faults={null}>
            {(p) => <Input {...p} defaultValue="red slicer" />}
          </Field>
          <Field name="empty" label="Empty" faults={null}>
            {(p) => <Input {...p} placeholder="1.59 kg" />}
          </Field>
          <Field name="length" label="With a fault" faults={FAULTS}>
            {(p) => <Input {...p} defaultValue={FAULTS.typed.length} />}
          </Field>
          <Field name="grade" label="A choice" faults={null}>
            {(p) => (
              <Select {...p}>
                <option>sound</option>
                <option>eat first</option>
              </Select>
            )}
          </Field>
          <Field name="sown" label="A date" faults={null}>
            {(p) => <DateInput {...p} defaultValue="2026-04-15" />}
          </Field>
          <Field name="table" label="A file" faults={null}>
            {(p) => <FileInput {...p} accept=".csv,text/csv" />}
          </Field>
          <Field name="note" label="Several lines" faults={null}>
            {(p) => <TextArea {...p} rows={3} defaultValue="Access, soil, the tool it wants." />}
          </Field>
          <Field name="count" label="How many" hint="typed or stepped" faults={null}>
            {(p) => <CountInput {...p} of="plants" least={1} defaultValue="12" />}
          </Field>
          <Field name="counted" label="How many, not as it should be" faults={COUNTED}>
            {(p) => <CountInput {...p} of="plants" defaultValue="a dozen" />}
          </Field>
          <Slide
            name="liking"
            label="More or less"
            min={0}
            max={2}
            step={0.1}
            value={much}
            onValue={setMuch}
            say={(x) => `${Math.round(x * 100)} %`}
          />
          <div>
            <Tickbox label="To tick" checked={on} onChange={setOn} />
            <Tickbox label="Not ticked" />
          </div>
        </Grid>
      </Section>
      <Section title="To tap">
        <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr" }} gap="5">
          <Tiles
            label="One of these"
            name={undefined}
            columns="repeat(3, minmax(0, 1fr))"
            answers={STAGES}
            chosen={stage}
            onTap={(to) => setStage(stage.includes(to) ? [] : [to])}
          />
          <Tiles
            label="A share"
            name={undefined}
            columns="repeat(3, minmax(0, 1fr))"
            upright
            answers={STAGES}
            chosen={stage}
            onTap={(to) => setStage(stage.includes(to) ? [] : [to])}
          />
          <SeveralTiles
            label="Some of these"
            name={undefined}
            columns="repeat(3, minmax(0, 1fr))"
            answers={STAGES}
            chosen={some}
            onTap={(to) => setSome(some.includes(to) ? some.filter((x) => x !== to) : [...some, to])}
          />
        </Grid>
      </Section>
      <Section title="A form that is checked as it is filled in">
        <CheckedForm method="get" action="/parts" schema={tried} faults={null} style={{ maxWidth: 420 }}>
          <FormError faults={null} />
          <Field name="weight" label="Weight" hint="Leave it empty, and go on to the next." faults={null}>
            {(p) => <Input {...p} />}
          </Field>
          <Field name="day" label="On" faults={null}>
            {(p) => <DateInput {...p} defaultValue="" />}
          </Field>
          <Button mt="3">Send</Button>
        </CheckedForm>
      </Section>
      <Section title="To read">
        <Note title="A note">It stands beside the work.</Note>
        <Note tone="caution" title="Take care">
          What can hurt someone.
        </Note>
        <Note tone="frost" title="Frost">
          What the weather brings.
        </Note>
        <FiguresTable label="Figures">
          <thead>
            <tr>
              <th>Of</th>
              <th className="number">Weighed</th>
              <th>That is</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row" className="name">
                Slicing tomato
              </th>
              <td className="number">52.9 kg</td>
              <td>4.07 kg a plant</td>
            </tr>
          </tbody>
        </FiguresTable>
        <Fold title="Folded away" mt="3">
          <Text>What is seldom wanted.</Text>
        </Fold>
        <LateFold title="Made when it is first opened">{() => <Text>It was not on the page until now.</Text>}</LateFold>
        <Fold title="Folded, small, and open" small open>
          <Text>It opens without scripts too.</Text>
        </Fold>
        <Flex gap="4" mt="5" wrap="wrap">
          <CropGlyph kind="root" stage={1} size={48} />
          <CropGlyph kind="tomato" stage={1} size={48} />
        </Flex>
      </Section>
      <Section title="While something is on its way, and where nothing is">
        <Progress.Root value={40} max={100} size="lg" maxW="420px">
          <Progress.Label fontSize="sm">400 of 1000 rows read</Progress.Label>
          <Progress.Track aria-label="Rows coming in">
            <Progress.Range />
          </Progress.Track>
        </Progress.Root>
        <Skeleton h="80px" mt="4" aria-hidden />
        <Empty icon={Shovel} title="There is no bed yet">
          <LinkButton to="/plot" variant="outline">
            To the plot
          </LinkButton>
        </Empty>
      </Section>
    </Page>
  );
}
