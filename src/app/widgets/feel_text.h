// How a recording plays, in words.
#pragma once

#include "hear/feel.h"
#include "project/tighten.h"

#include <QStringList>

namespace app {

// "16 · 57 % · ± 4 ms"
QString feelText(const hear::Feel& feel);
// "sixteenths, swing 57.2 %, loose by 4.1 ms, 128 hits": for tooltips and readers of the screen.
QString feelWords(const hear::Feel& feel);
// "sixteenths"
QString gridLabel(hear::FeelGrid grid);

// "winch was fitted first: its hits run at 111.7 BPM, not at 112", for each recording whose beats were.
QStringList fittedFirstText(const std::vector<project::FittedFirst>& fitted);

} // namespace app
