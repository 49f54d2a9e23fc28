// The bench: the work place for one source. What is known of it left, the rails in the middle, the Card right.
#pragma once

#include "project/project.h"

#include <QWidget>

class QLabel;
class QScrollBar;
class QSplitter;

namespace app {

class ByEar;
class Card;
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
    void typeTempo();
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
    void connectParts();
    void connectScrolling();
    void refresh();
    void refreshHead(const project::SourcePtr& s);
    void refreshFold();
    void takeHeight();
    QString sentence() const;
    project::SourcePtr selected() const;

    Session& session_;
    QSplitter* splitter_ = nullptr;
    QWidget* head_ = nullptr;
    QWidget* body_ = nullptr;
    QLabel* foldHint_ = nullptr;
    bool folded_ = false;
    bool isLine_ = false; // shown as a line now
    int openHeight_ = 336;
    QLabel* name_ = nullptr;
    QLabel* facts_ = nullptr;
    RailsView* rails_ = nullptr;
    ByEar* byEar_ = nullptr;
    TempoPlot* plot_ = nullptr;
    QScrollBar* scroll_ = nullptr; // of both rails; not there while all is in view
    SourceColumn* column_ = nullptr;
    QWidget* oneSource_ = nullptr;  // rails and what stands over them
    SelectionList* many_ = nullptr; // in their place where several clips are selected
    Card* card_ = nullptr;
};

} // namespace app
