import { Menu, Portal } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { Tab } from "./frame-links";
import { MORE, PARTS, WITHIN_REACH } from "./parts";

/** The rest of the parts on a phone, over the thumb; goes by keys and Escape. Loaded when it is first asked for. */
export default function MoreMenu({ onClose }: { onClose: () => void }) {
  const [shown, setShown] = useState(false);
  useEffect(() => setShown(true), []);
  return (
    <Menu.Root
      open={shown}
      onOpenChange={(e) => !e.open && onClose()}
      ids={{ trigger: MORE }}
      positioning={{ placement: "top-end", gutter: 8 }}
    >
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {PARTS.slice(WITHIN_REACH).map((p) => (
              <Menu.Item key={p.to} value={p.to} asChild>
                <Tab to={p.to} minH="52px" px="5" borderBottomWidth="0">
                  <p.icon size={20} aria-hidden /> {p.name}
                </Tab>
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
