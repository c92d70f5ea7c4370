import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Camera } from "lucide-react";
import { useEffect, useState } from "react";

/**
 * Takes photos for a look or a pick: several may be chosen, a phone opens its camera; shown small before they are sent.
 * @param kept those it has; `removable`: one of them can be marked to be taken out when the form is saved
 */
export function PhotoField({ kept, removable = false }: { kept: readonly string[]; removable?: boolean }) {
  const [shown, setShown] = useState<{ url: string; name: string }[]>([]);
  useEffect(
    () => () => {
      for (const p of shown) URL.revokeObjectURL(p.url);
    },
    [shown],
  );
  return (
    <Box mb="5">
      <Flex gap="2.5" align="center" wrap="wrap">
        <chakra.label
          display="inline-flex"
          alignItems="center"
          gap="2"
          minH="48px"
          px="3"
          borderWidth="1.5px"
          borderColor="moss"
          borderRadius="leaf"
          color="moss"
          fontWeight="600"
          cursor="pointer"
          css={{ "&:has(input:focus-visible)": { outline: "3px solid var(--ak-colors-focus)", outlineOffset: "2px" } }}
        >
          <Camera size={20} aria-hidden />
          Photo
          <chakra.input
            type="file"
            name="photo"
            accept="image/*"
            capture="environment"
            multiple
            position="absolute"
            opacity="0"
            w="1px"
            h="1px"
            onChange={(e) =>
              setShown([...(e.target.files ?? [])].map((f) => ({ url: URL.createObjectURL(f), name: f.name })))
            }
          />
        </chakra.label>
        {shown.map((p) => (
          <chakra.img key={p.url} src={p.url} alt={p.name} h="56px" borderRadius="soft" />
        ))}
        {kept.map((name, i) => (
          <Flex key={name} align="center" gap="2">
            <a href={`/photos/${name}`} target="_blank" rel="noreferrer">
              <chakra.img src={`/photos/${name}`} alt={`${i + 1} of this pick`} h="56px" borderRadius="soft" />
            </a>
            {removable && (
              <chakra.label display="flex" gap="2" alignItems="center" minH="48px">
                <input type="checkbox" name={`drop-${name}`} style={{ width: 22, height: 22 }} /> take out
              </chakra.label>
            )}
          </Flex>
        ))}
      </Flex>
      {shown.length > 0 && (
        <Text mt="1" fontSize="sm" color="inkSoft">
          Kept on your own disk, made smaller, without the place it was taken.
        </Text>
      )}
    </Box>
  );
}
