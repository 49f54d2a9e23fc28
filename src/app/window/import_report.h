// What an import brought, file by file: which reading was used and what was done, with one click to change either.
#pragma once

#include "app/session/session.h"

#include <QWidget>

class QLabel;
class QPushButton;
class QScrollArea;
class QVBoxLayout;

namespace app {

class ImportReport : public QWidget {
    Q_OBJECT
  public:
    explicit ImportReport(Session& session, QWidget* parent = nullptr);
    void show(const BroughtIn& brought);
    // All lines, as they are now.
    QStringList lines() const;

  signals:
    void sourcesAsked(); // the page with all readings

  protected:
    void paintEvent(QPaintEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

  private:
    struct Row {
        SourceId source;
        QWidget* widget = nullptr;
        QLabel* text = nullptr;
    };
    void addRow(SourceId source);
    void addOffer(const std::vector<SourceId>& equallyLong);
    void addLine(const QString& text, bool isProblem);
    void fill(Row& row);
    void refresh();
    void takeHeight();

    Session& session_;
    QLabel* title_;
    QPushButton* all_; // unfolds the lines beyond the third
    QScrollArea* area_;
    QWidget* list_;
    QVBoxLayout* rows_;
    std::vector<Row> shown_;
    std::optional<SourceId> mayLead_;
    std::vector<std::pair<std::vector<SourceId>, QWidget*>> offers_; // of sets
    QStringList problems_;
    std::int64_t generation_ = 0;
    bool isProblem_ = false;
};

} // namespace app
