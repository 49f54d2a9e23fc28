// The bench: the work place for one recording. Its readings as a strip, the rails below over the whole width, the
// Card right; what is needed less often stands in a column of its own behind More, and while the Bench is high.
#pragma once

#include "project/project.h"

#include <QWidget>
#include <vector>

class QHBoxLayout;
class QLabel;
class QPushButton;
class QScrollBar;
class QSplitter;

namespace app {

class ByEar;
class Card;
class ElidedLabel;
class ReadingsStrip;
class RailsView;
class SelectionList;
class Session;
class SourceColumn;
class TempoPlot;

class Bench : public QWidget {
    Q_OBJECT
  public:
    explicit Bench(Session& session, QWidget* parent = nullptr);
    RailsView& rails() { return *rails_; }
    ByEar& byEar() { return *byEar_; }
    SourceColumn& column() { return *column_; }
    void typeTempo(); // in the cell of what was typed
    // The column of rarer figures, beside the rails.
    bool showsMore() const { return more_; }
    void setShowsMore(bool on);
    void swapCompared(); // A|B

    // Folded to its title line, which then says the selection in a sentence: by hand, and while nothing is
    // selected. It opens to the height that it had.
    bool isFolded() const { return folded_; }
    void setFolded(bool on);
    // Whose height it shares.
    void setSplitter(QSplitter* splitter);

  signals:
    void railMenuAsked(const QPoint& global);
    void straightenAsked(const QPoint& global);
    void leadAsked(const QPoint& global);
    void takeTimeAsked();

  protected:
    bool eventFilter(QObject*, QEvent*) override;
    void showEvent(QShowEvent*) override;
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;

  private:
    void buildHead();
    void buildBody();
    QHBoxLayout* buildEyeRow();
    void connectParts();
    void connectRails();
    void connectScrolling();
    void refresh();
    void refreshHead(const project::SourcePtr& s);
    void refreshFold();
    void refreshRows(const project::SourcePtr& source);
    void refreshStanding();
    void takeHeight();
    QString sentence() const;
    QString selectionText() const;
    QString factsOf(const project::Source& source) const;
    project::SourcePtr selected() const;
    // The selected one, or the one that all selected clips play.
    project::SourcePtr shown() const;

    Session& session_;
    QSplitter* splitter_ = nullptr;
    QWidget* head_ = nullptr;
    QWidget* body_ = nullptr;
    QLabel* foldHint_ = nullptr;
    bool folded_ = false;
    bool isLine_ = false; // shown as a line now
    int openHeight_ = 266;
    QLabel* name_ = nullptr;
    QLabel* facts_ = nullptr;
    RailsView* rails_ = nullptr;
    ByEar* byEar_ = nullptr;
    TempoPlot* plot_ = nullptr;
    QPushButton* moreButton_ = nullptr;
    bool more_ = false;
    ReadingsStrip* readings_ = nullptr;
    QWidget* stripRow_ = nullptr;
    QWidget* eyeRow_ = nullptr;
    ElidedLabel* standing_ = nullptr; // what the two rails show
    std::vector<QPushButton*> grids_;
    QWidget* columnRoom_ = nullptr;
    QWidget* cardRoom_ = nullptr;  // in a narrow window the column takes its place
    QScrollBar* scroll_ = nullptr; // of both rails; not there while all is in view
    SourceColumn* column_ = nullptr;
    QWidget* oneSource_ = nullptr;  // rails and what stands over them
    SelectionList* many_ = nullptr; // in their place where several clips are selected
    Card* card_ = nullptr;
};

} // namespace app
