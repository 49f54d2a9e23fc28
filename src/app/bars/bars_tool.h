// What the hand does on the page Bars while a button is held: one object for each tool.
#pragma once

#include "app/bars/bars_paint.h"

#include <functional>
#include <memory>

namespace app {

// What a tool works with.
struct BarsHand {
    Session& session;
    const BarsLayout& layout;
    BarsDrag& drag; // what is drawn meanwhile
    LanePick& picked;
    QPointF pressedAt;
    std::int64_t press = 0;                    // a fresh number for each press
    std::function<void(double)> scrollTo = {}; // the beat at the left edge
    std::function<bool()> handsOut = {};       // whether the pointer has left the window, and clips are handed out
};

// Made by a press; told of moves once the pointer has left the place of the press; ends with release, or is dropped
// by Escape, which must leave the document as it was.
class BarsTool {
  public:
    explicit BarsTool(const BarsHand& hand) : hand_(hand) {}
    virtual ~BarsTool() = default;
    BarsTool(const BarsTool&) = delete;
    BarsTool& operator=(const BarsTool&) = delete;

    virtual void move(const QPointF& at, Qt::KeyboardModifiers modifiers) = 0;
    // `moved`: whether the pointer had left the place of the press.
    virtual void release(const QPointF& at, Qt::KeyboardModifiers modifiers, bool moved) = 0;
    virtual void cancel() {}
    // False once what it holds is no longer there: the document has changed under it.
    virtual bool stillHolds() const { return true; }

  protected:
    BarsHand hand_;
};

// Where a place lands: on the grid, or where the play position or an edge of a clip that is not left out lies
// within a few pixels and nearer; where it is, with `free` or snapping off.
Beats landing(const BarsHand& hand, Beats wanted, bool free, const std::vector<ClipId>& leftOut);

// Moves the selected clips, of which this one was pressed; with Ctrl held, copies them. `toggles`: a click without
// a drag takes it out of the selection.
std::unique_ptr<BarsTool> clipMover(const BarsHand& hand, ClipId pressed, bool toggles);

// What dragging an edge of a clip does; the right edge has all three, from top to bottom, the left the last two.
enum class EdgeUse { Repeat, Trim, Stretch };
std::unique_ptr<BarsTool> edgeTool(const BarsHand& hand, ClipId pressed, project::Side side, EdgeUse use);
// Drags the end of a fade.
std::unique_ptr<BarsTool> fadeTool(const BarsHand& hand, ClipId pressed, project::Side side);
// Selects what a band touches.
std::unique_ptr<BarsTool> bandSelector(const BarsHand& hand);
// In the ruler: a press locates, a drag sets the loop range.
std::unique_ptr<BarsTool> loopRanger(const BarsHand& hand);
// In the overview, which is so many pixels wide: shows what is there.
std::unique_ptr<BarsTool> overviewScroller(const BarsHand& hand, int width);
// In the lanes: drags a point of the tempo, up and down too; selects a range of it; drags a section's mark, whose
// press without a drag goes there (at once with Shift).
std::unique_ptr<BarsTool> tempoPointMover(const BarsHand& hand, Beats at);
std::unique_ptr<BarsTool> tempoRanger(const BarsHand& hand);
std::unique_ptr<BarsTool> sectionMover(const BarsHand& hand, Beats at);
// Drags a track to another place; a press without a drag is `clicked`.
std::unique_ptr<BarsTool> trackMover(const BarsHand& hand, TrackId track, std::function<void()> clicked);

} // namespace app
