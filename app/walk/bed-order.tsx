import { chakra, Flex, Text } from "@chakra-ui/react";
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { ArrowDown, ArrowUp, GripVertical } from "lucide-react";
import { useId } from "react";
import { Form, useNavigation, useSubmit } from "react-router";
import { Button } from "../ui/ui";

type Bed = { id: string; name: string; site: string };

/** Beds in their order, dragged by pointer, finger or keys (space, arrows, space), or moved by a press on an arrow. */
export function BedOrder({ beds }: { beds: readonly Bed[] }) {
  const submit = useSubmit();
  const under = useNavigation().formData?.get("order");
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  // while it is on its way, the list stands as it was let go of
  const by = new Map(beds.map((b) => [b.id, b]));
  const shown =
    typeof under === "string" && under.split(" ").every((id) => by.has(id))
      ? under.split(" ").map((id) => by.get(id)!)
      : beds;
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return;
    const ids = shown.map((b) => b.id);
    const order = arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
    submit({ intent: "order", order: order.join(" ") }, { method: "post", preventScrollReset: true });
  };
  return (
    <DndContext id={useId()} sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={shown.map((b) => b.id)} strategy={verticalListSortingStrategy}>
        {shown.map((b, i) => (
          <Row key={b.id} bed={b} i={i} last={i === shown.length - 1} />
        ))}
      </SortableContext>
    </DndContext>
  );
}

const Grip = chakra("button", {
  base: {
    minW: "48px",
    minH: "48px",
    display: "grid",
    placeItems: "center",
    color: "inkSoft",
    cursor: "grab",
    touchAction: "none",
  },
});

function Row({ bed, i, last }: { bed: Bed; i: number; last: boolean }) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: bed.id });
  return (
    <Form method="post" preventScrollReset>
      <input type="hidden" name="bed" value={bed.id} />
      <Flex
        ref={setNodeRef}
        py="1.5"
        gap="2"
        align="center"
        borderBottomWidth="1px"
        borderColor="ruleSoft"
        minH="56px"
        bg={isDragging ? "mossTint" : "paper"}
        position="relative"
        zIndex={isDragging ? "2" : undefined}
        style={{ transform: transform ? `translate3d(0, ${transform.y}px, 0)` : undefined, transition }}
      >
        <Grip type="button" {...attributes} {...listeners} aria-label={`Move ${bed.name}`}>
          <GripVertical size={20} aria-hidden />
        </Grip>
        <Text flex="1" fontSize="lg">
          {i + 1}. {bed.name} {bed.site && <chakra.span color="inkSoft">{bed.site}</chakra.span>}
        </Text>
        <Button name="intent" value="up" variant="outline" disabled={i === 0} aria-label={`${bed.name} earlier`}>
          <ArrowUp size={20} />
        </Button>
        <Button name="intent" value="down" variant="outline" disabled={last} aria-label={`${bed.name} later`}>
          <ArrowDown size={20} />
        </Button>
      </Flex>
    </Form>
  );
}
