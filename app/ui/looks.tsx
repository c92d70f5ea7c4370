import { Flex } from "@chakra-ui/react";
import { Moon, Sun } from "lucide-react";
import { Form, useRouteLoaderData } from "react-router";
import type { loader as root } from "../root";
import { LOOK_WORDS, LOOKS, type Look, nextLook } from "./theme/looks";
import { Button, Section } from "./ui";

const useLook = (): Look => useRouteLoaderData<typeof root>("root")?.mode ?? "device";

/** In the frame: one press from look to look. */
export function LookButton({ back }: { back: string }) {
  const look = useLook();
  return (
    <Form method="post" action="/mode">
      <input type="hidden" name="back" value={back} />
      <Button
        type="submit"
        variant="quiet"
        size="md"
        px="2"
        minW="48px"
        aria-label={`Change the look to ${nextLook(look)}`}
        title="Paper, sunlight, night"
      >
        {look === "night" ? <Moon size={20} /> : <Sun size={20} />}
      </Button>
    </Form>
  );
}

/** In Settings: all looks, and to leave it to the device. */
export function LookChooser() {
  const chosen = useLook();
  return (
    <Section title="The look" note="on this device">
      <Form method="post" action="/mode">
        <input type="hidden" name="back" value="/settings" />
        <Flex gap="2" wrap="wrap">
          {LOOKS.map((look) => (
            <Button
              key={look}
              type="submit"
              name="look"
              value={look}
              variant={look === chosen ? "solid" : "outline"}
              aria-pressed={look === chosen}
            >
              {LOOK_WORDS[look]}
            </Button>
          ))}
        </Flex>
      </Form>
    </Section>
  );
}
