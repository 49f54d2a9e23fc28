// What the hand does on the page Bars while a button is held: one object for each tool.
#pragma once

#include "app/bars/bars_paint.h"

#include <memory>

namespace app {

// What a tool works with.
struct BarsHand {
    Session& session;
    const BarsLayout& layout;
    BarsDrag& drag; // what is drawn meanwhile
    QPointF pressedAt;
    std::int64_t press = 0; // a fresh number for each press
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

// Moves the selected clips, of which this one was pressed.
std::unique_ptr<BarsTool> clipMover(const BarsHand& hand, ClipId pressed);
// Selects what a band touches.
std::unique_ptr<BarsTool> bandSelector(const BarsHand& hand);
// In the ruler: a press locates, a drag sets the loop range.
std::unique_ptr<BarsTool> loopRanger(const BarsHand& hand);

} // namespace app
