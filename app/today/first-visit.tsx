import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { CropGlyph } from "../ui/crop-glyph";
import { Anchor, LinkButton, Page } from "../ui/ui";

/** What Today shows while nothing grows yet: the first steps. */
export function FirstVisit({ hasBeds }: { hasBeds: boolean }) {
  return (
    <Page title="Welcome to your picking desk">
      <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1.2fr 1fr" }} gap="10" alignItems="center">
        <Box>
          <Text fontFamily="heading" fontSize="2xl" lineHeight="1.35" mb="5">
            Tell Akmedon what grows where. It watches the warmth, the frost and your looks, and says what to pick, when,
            and why.
          </Text>
          <Box as="ol" pl="5" mb="6" css={{ "& li": { marginBottom: "8px" } }}>
            <li>Say where the garden lies and tick what grows: two minutes.</li>
            <li>Walk the beds. Two readings a planting are enough.</li>
            <li>
              Draw the beds on the <Anchor to="/plot">plot</Anchor> and bring in a forecast, under{" "}
              <Anchor to="/weather">weather</Anchor>, when there is time.
            </li>
          </Box>
          <Flex gap="3" wrap="wrap">
            <LinkButton size="lg" to="/start">
              Say what grows
            </LinkButton>
            <LinkButton size="lg" variant="quiet" to={hasBeds ? "/plot/plantings/new" : "/plot/beds/new"}>
              {hasBeds ? "Add one planting" : "Draw the first bed"}
            </LinkButton>
          </Flex>
        </Box>
        <Flex justify="center" gap="3" wrap="wrap">
          {(["bulb", "tomato", "kale", "root", "squash", "bean"] as const).map((g, i) => (
            <CropGlyph key={g} kind={g} stage={0.7 + i * 0.15} size={92} />
          ))}
        </Flex>
      </Grid>
    </Page>
  );
}
