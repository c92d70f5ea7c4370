import { chakra, FileUpload, Flex, Text } from "@chakra-ui/react";
import { Camera, X } from "lucide-react";
import { Tickbox } from "./tickbox";
import { Button } from "./ui";

const MOST = 20;

/**
 * Takes photos for a look or a pick: one after the other or several at once, a phone opens its camera; shown small
 * before they are sent, each to be taken out again.
 * @param kept those it has; `removable`: one of them can be marked to be taken out when the form is saved
 */
export function PhotoField({ kept, removable = false }: { kept: readonly string[]; removable?: boolean }) {
  return (
    <FileUpload.Root name="photo" accept="image/*" maxFiles={MOST} capture="environment" mb="5">
      <FileUpload.HiddenInput aria-label="Photo" />
      <Flex gap="2.5" align="center" wrap="wrap">
        <FileUpload.Trigger asChild>
          <Button type="button" variant="outline">
            <Camera size={20} aria-hidden /> Photo
          </Button>
        </FileUpload.Trigger>
        <FileUpload.Context>
          {({ acceptedFiles }) =>
            acceptedFiles.length > 0 && (
              <FileUpload.ItemGroup>
                {acceptedFiles.map((file) => (
                  <FileUpload.Item key={`${file.name} ${file.size}`} file={file}>
                    <FileUpload.ItemPreview type="image/*">
                      <FileUpload.ItemPreviewImage alt={file.name} style={{ height: 56, borderRadius: 3 }} />
                    </FileUpload.ItemPreview>
                    <FileUpload.ItemDeleteTrigger asChild>
                      <Button type="button" variant="quiet" size="sm" aria-label={`Take ${file.name} out`}>
                        <X size={18} aria-hidden />
                      </Button>
                    </FileUpload.ItemDeleteTrigger>
                  </FileUpload.Item>
                ))}
              </FileUpload.ItemGroup>
            )
          }
        </FileUpload.Context>
        {kept.map((name, i) => (
          <Flex key={name} align="center" gap="2">
            <a href={`/photos/${name}`} target="_blank" rel="noreferrer">
              <chakra.img src={`/photos/${name}`} alt={`${i + 1} of this pick`} h="56px" borderRadius="soft" />
            </a>
            {removable && <Tickbox name={`drop-${name}`} label="take out" />}
          </Flex>
        ))}
      </Flex>
      <FileUpload.Context>
        {({ acceptedFiles }) =>
          acceptedFiles.length > 0 && (
            <Text mt="1" fontSize="sm" color="inkSoft">
              Kept on your own disk, made smaller, without the place it was taken.
            </Text>
          )
        }
      </FileUpload.Context>
    </FileUpload.Root>
  );
}
