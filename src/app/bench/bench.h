// The bench: the work place for one source. Readings left, the source as recorded in the middle, the Card right.
#pragma once

#include "hear/tapped.h"
#include "project/project.h"

#include <QWidget>

class QHBoxLayout;
class QLabel;
class QPushButton;
class QSplitter;

namespace app {

class Card;
class Figure;
class ReadingsList;
class Session;
class SelectionList;
class SourceView;

class Bench : public QWidget {
    Q_OBJECT
  public:
    explicit Bench(Session& session, QWidget* parent = nullptr);
    // Of the selected source.
    void scaleTempo(double factor); // ½, ×2
    void roundTempo();
    void tap();
    void typeTempo();
    void swapCompared(); // A|B
    void playRaw(bool on);

    // Folded to its title line, which then says the selection in a sentence: by hand, and while nothing is
    // selected. It opens to the height that it had.
    bool isFolded() const { return folded_; }
    void setFolded(bool on);
    // Whose height it shares.
    void setSplitter(QSplitter* splitter);

  protected:
    bool eventFilter(QObject*, QEvent*) override;
    void showEvent(QShowEvent*) override;
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;

  private:
    void refresh();
    void refreshFold();
    void takeHeight();
    QString sentence() const;
    void refreshBelow(const project::SourcePtr& s);
    project::SourcePtr selected() const;
    void pickOther(hear::Witness by, int which);
    void listenBetween(const QString& low, const QString& high);
    void beatsBetween(const QString& text);
    QHBoxLayout* buttonRow();
    QHBoxLayout* listenRow();
    QHBoxLayout* beatsRow();

    Session& session_;
    QSplitter* splitter_ = nullptr;
    QWidget* head_;
    QWidget* body_;
    QLabel* foldHint_;
    bool folded_ = false;
    bool isLine_ = false; // shown as a line now
    int openHeight_ = 338;
    QLabel* name_;
    QLabel* facts_;
    ReadingsList* readings_;
    SourceView* view_;
    SelectionList* many_; // in its place where several clips are selected
    QLabel* viewTitle_;
    QPushButton* half_;
    QPushButton* twice_;
    QPushButton* round_;
    QPushButton* tap_;
    QPushButton* raw_;
    Figure* low_;
    Figure* high_;
    Figure* beats_;
    hear::Tapping tapping_;
    std::optional<project::SourceId> tapped_; // whose taps they are
    std::int64_t taps_ = 0;                   // a fresh number for each time somebody begins to tap
    Card* card_;
    // What is heard of the recording: another tempo of it moves the click, another source ends it.
    struct RawTiming {
        project::SourceId source;
        std::optional<metre::BeatMap> beats;
        bool click = false;
        bool operator==(const RawTiming&) const = default;
    };
    std::optional<RawTiming> raws_;
};

} // namespace app
