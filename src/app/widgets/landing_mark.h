// How a landing is shown: by colour and by shape.
#pragma once

#include "prove/landing.h"

#include <QColor>
#include <QPointF>
#include <QString>

class QPainter;

namespace app {

// A round mark in time, one that points left where early, right where late, two halves apart where loose, a square
// off the grid, a ring where unread; `radius` in pixels. The painter is to smooth edges.
void paintLanding(QPainter& p, const QPointF& centre, prove::Landing landing, double radius);
QColor landingColour(prove::Landing landing);
// The same where it is text.
QColor landingText(prove::Landing landing);
// "in time", "early", "off the grid", in the language of the window.
QString landingLabel(prove::Landing landing);
// "3.1 ms late"
QString offText(metre::Seconds off);

} // namespace app
