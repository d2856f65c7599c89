import { useCallback, useState } from "react";
import { newId } from "../../api/newId";
import { type Edit, withArea, withAreas } from "./edits";
import type { Drawing } from "./Picture";
import type { Point, Print } from "./queries";
import { TOUCHES } from "./shapes";

const SOFT_EDGE = 0.04; // of the picture's longer side, as a hand held still makes it

/** Keeps what is to be seen at a place of the print that is open. */
export type Marker = (at: Point, says: string) => void;

/** Touching the picture: a shape by a few touches, or the place of a mark on a try. */
export function useTouches(
  draft: Print,
  change: (edit: Edit) => void,
  choose: (area: string) => void,
  /** keep what is to be seen at a place of a print that was made */
  keep: Marker,
) {
  const [drawing, setDrawing] = useState<(Drawing & { area: string | null }) | null>(null);
  const [marking, setMarking] = useState<string | null>(null);
  const [markAt, setMarkAt] = useState<Point | null>(null);
  const finish = (points: Point[], kind: Drawing["kind"], area: string | null) => {
    setDrawing(null);
    const shape = { kind, points, feather: SOFT_EDGE };
    if (area) return change(withArea(area, (before) => ({ ...before, shape })));
    const id = newId();
    change(
      withAreas((all) => [
        ...all,
        {
          id,
          label: `Area ${all.length + 1}`,
          act: "burn",
          part: draft.plan.parts[0]?.id ?? "none",
          stops: 1,
          seconds: null,
          shape,
          own: null,
        },
      ]),
    );
    choose(id);
  };
  const put = (at: Point) => {
    if (marking !== null) {
      setMarkAt(at);
      setDrawing(null);
      return;
    }
    if (!drawing) return;
    const points = [...drawing.points, at];
    if (points.length >= TOUCHES[drawing.kind]) finish(points, drawing.kind, drawing.area);
    else setDrawing({ ...drawing, points });
  };
  const begin = useCallback((kind: Drawing["kind"], area: string | null = null) => {
    setMarking(null);
    setDrawing({ kind, points: [], area });
  }, []);
  const mark = useCallback((try_id: string) => {
    setMarking(try_id);
    setDrawing({ kind: "corner", points: [], area: null });
  }, []);
  const cancel = useCallback(() => {
    setDrawing(null);
    setMarking(null);
    setMarkAt(null);
  }, []);
  const keepMark = (says: string) => {
    if (says && markAt && marking !== null) keep(markAt, says);
    setMarkAt(null);
    setMarking(null);
  };
  const close = () => drawing && finish(drawing.points, drawing.kind, drawing.area);
  return { drawing, marking, markAt, put, begin, mark, cancel, close, keepMark };
}

export type Touches = ReturnType<typeof useTouches>;
