// The titles of clips, shaped once: setting text is what a page full of clips costs most.
#pragma once

#include <QPainter>
#include <QStaticText>
#include <unordered_map>

namespace app {

class TitleCache {
  public:
    // Name and what becomes of it; where there is no room for both, the name is shortened in its middle, and where
    // there is hardly any, the name alone is left. In the painter's font; the name in its pen's colour.
    void draw(QPainter& p, const QRectF& area, const QString& name, const QString& change, const QColor& soft);
    void clear() {
        set_.clear();
        advances_.clear();
    }

  private:
    struct Set {
        QStaticText name;
        QStaticText change;
        double gap = 0; // from the left to `change`
        bool both = false;
    };
    static constexpr std::size_t most = 4096;
    std::unordered_map<QString, Set> set_;      // by both texts and the room for them
    std::unordered_map<QString, int> advances_; // pixels that texts take
};

} // namespace app
