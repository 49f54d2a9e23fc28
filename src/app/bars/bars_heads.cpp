#include "app/bars/bars_heads.h"

namespace app {

namespace {

bool isLow(const BarsLayout& l, std::size_t track) {
    return l.heightOf(track) <= BarsLayout::heights[0];
}
// The line with the buttons.
QRect onButtonLine(const BarsLayout& l, std::size_t track, int x, int width) {
    return {x, l.y(track) + (isLow(l, track) ? 18 : 38), width, 15};
}

} // namespace

QRect nameRect(const BarsLayout& l, std::size_t track) {
    return {12, l.y(track) + (isLow(l, track) ? 1 : 4), BarsLayout::headers - 28, 17};
}
QRect ruleRect(const BarsLayout& l, std::size_t track) {
    return isLow(l, track) ? QRect() : QRect(12, l.y(track) + 21, BarsLayout::headers - 28, 15);
}
QRect muteRect(const BarsLayout& l, std::size_t track) {
    return onButtonLine(l, track, 12, 17);
}
QRect soloRect(const BarsLayout& l, std::size_t track) {
    return onButtonLine(l, track, 31, 17);
}
QRect gainRect(const BarsLayout& l, std::size_t track) {
    return onButtonLine(l, track, 53, 50);
}
QRect panRect(const BarsLayout& l, std::size_t track) {
    return onButtonLine(l, track, 104, 28);
}
QRect trackMeterRect(const BarsLayout& l, std::size_t track) {
    return {BarsLayout::headers - 12, l.y(track) + 5, 5, l.heightOf(track) - 11};
}

} // namespace app
