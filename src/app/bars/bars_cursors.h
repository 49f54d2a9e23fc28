// The pointers over the edges of clips, drawn.
#pragma once

#include "app/bars/bars_tool.h"

#include <QCursor>

namespace app {

// An edge with an arrow beside it that comes round (repeat), that points both ways (trim), or with three lines that
// lean (stretch).
QCursor edgeCursor(EdgeUse use, project::Side side);

} // namespace app
