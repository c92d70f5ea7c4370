import { FileUpload, Text } from "@chakra-ui/react";
import { Camera, X } from "lucide-react";
import { useLayoutEffect, useRef } from "react";
import { Button } from "./ui";

const MOST = 20;

/**
 * Takes photos one after the other or several at once; shown small before they are sent, each to be taken out again.
 * @param first those chosen before this was there; it has them from its first moment on
 */
export function PhotoPicker({ first }: { first: readonly File[] }) {
  const input = useRef<HTMLInputElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  useLayoutEffect(() => {
    const given = new DataTransfer();
    for (const file of first) given.items.add(file);
    if (input.current) input.current.files = given.files;
    // where the device's own control had the focus it is not lost with it
    if (document.activeElement === document.body) button.current?.focus({ preventScroll: true });
  }, [first]);
  return (
    <FileUpload.Root
      name="photo"
      accept="image/*"
      maxFiles={MOST}
      capture="environment"
      w="auto"
      defaultAcceptedFiles={[...first]}
    >
      <FileUpload.HiddenInput ref={input} aria-label="Photo" />
      <FileUpload.Trigger ref={button} asChild>
        <Button type="button" variant="outline">
          <Camera size={20} aria-hidden /> Photo
        </Button>
      </FileUpload.Trigger>
      <FileUpload.Context>
        {({ acceptedFiles }) =>
          acceptedFiles.length > 0 && (
            <>
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
              <Text fontSize="sm" color="inkSoft">
                Kept on your own disk, made smaller, without the place it was taken.
              </Text>
            </>
          )
        }
      </FileUpload.Context>
    </FileUpload.Root>
  );
}
