import { FileUpload } from "@chakra-ui/react";
import { FileUp, X } from "lucide-react";
import { Button, type FieldProps, Input } from "./ui";
import { useAwake } from "./use-awake";

/**
 * A file to choose or to drop; its name and size stand there before it is sent.
 * @param accept kinds and endings, separated by commas
 */
export function FileInput({
  accept,
  label,
  ...field
}: Partial<FieldProps> & { name: string; accept: string; label?: string }) {
  if (!useAwake()) return <Input {...field} type="file" accept={accept} aria-label={label} py="2" />;
  return (
    <FileUpload.Root
      name={field.name}
      accept={accept.split(",")}
      maxFiles={1}
      ids={{ hiddenInput: field.id ?? field.name }}
    >
      <FileUpload.HiddenInput
        aria-label={label}
        aria-invalid={field["aria-invalid"]}
        aria-describedby={field["aria-describedby"]}
      />
      <FileUpload.Dropzone role="presentation" tabIndex={-1}>
        <FileUpload.Trigger asChild>
          <Button type="button" variant="outline" size="sm">
            <FileUp size={18} aria-hidden /> Choose a file
          </Button>
        </FileUpload.Trigger>
        <FileUpload.Context>
          {({ acceptedFiles }) =>
            acceptedFiles.length === 0 ? (
              <span>or drop it here</span>
            ) : (
              <FileUpload.ItemGroup>
                {acceptedFiles.map((file) => (
                  <FileUpload.Item key={file.name} file={file}>
                    <FileUpload.ItemName />
                    <FileUpload.ItemSizeText />
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
      </FileUpload.Dropzone>
    </FileUpload.Root>
  );
}
