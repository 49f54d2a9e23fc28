// The proof of the project in a few words: how many clips are in time, early, late, unread. Pressed, it leads to
// the hit that is farthest off.
#pragma once

#include "app/session/proofs.h"

#include <QAbstractButton>

namespace app {

class ProofSummary : public QAbstractButton {
    Q_OBJECT
  public:
    explicit ProofSummary(QWidget* parent = nullptr);
    void show(const Proofs& proofs);
    const Proofs::Summary& summary() const { return summary_; }

    // Its words in one column, where there is little room.
    void setNarrow(bool narrow);
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

  protected:
    void paintEvent(QPaintEvent*) override;

  private:
    struct Word {
        prove::Landing landing;
        QString text;
    };
    std::vector<Word> words() const;
    int rowsOf(const std::vector<Word>& list, const QFontMetrics& metrics) const;

    Proofs::Summary summary_;
    bool narrow_ = false;
};

} // namespace app
