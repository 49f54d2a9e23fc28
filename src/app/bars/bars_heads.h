// Where things are in a track's head.
#pragma once

#include "app/bars/bars_layout.h"

#include <QRect>

namespace app {

// Low tracks have their buttons beside the name, and no line for the time rule.
QRect nameRect(const BarsLayout& layout, std::size_t track);
QRect ruleRect(const BarsLayout& layout, std::size_t track); // empty on a low track
QRect muteRect(const BarsLayout& layout, std::size_t track);
QRect soloRect(const BarsLayout& layout, std::size_t track);
QRect gainRect(const BarsLayout& layout, std::size_t track);
QRect panRect(const BarsLayout& layout, std::size_t track);
QRect trackMeterRect(const BarsLayout& layout, std::size_t track);

} // namespace app
