#include "app/shelf/chip_flow.h"

#include <QPushButton>
#include <algorithm>

namespace app {

namespace {
constexpr int gapOfChips = 4;
}

ChipFlow::ChipFlow(QWidget* parent) : QWidget(parent) {
    setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
}

void ChipFlow::add(QPushButton* chip) {
    chip->setParent(this);
    chips_.push_back(chip);
    arrange();
}

void ChipFlow::remove(QPushButton* chip) {
    std::erase(chips_, chip);
    arrange();
}

void ChipFlow::setOneLine(bool on) {
    oneLine_ = on;
    arrange();
}

void ChipFlow::arrange() {
    int x = 0;
    int y = 0;
    int height = 0;
    showsAll_ = true;
    for (QPushButton* chip : chips_) {
        const QSize size = chip->sizeHint();
        height = std::max(height, size.height());
        if (x > 0 && x + size.width() > width()) {
            if (oneLine_) showsAll_ = false;
            x = 0;
            if (!oneLine_) y += height + gapOfChips;
        }
        chip->setVisible(showsAll_);
        if (!showsAll_) continue;
        chip->setGeometry(x, y, size.width(), size.height());
        x += size.width() + gapOfChips;
    }
    setFixedHeight(y + height);
}

void ChipFlow::resizeEvent(QResizeEvent*) {
    arrange();
}

} // namespace app
