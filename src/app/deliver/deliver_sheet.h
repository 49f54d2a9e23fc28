// The sheet Deliver: what, where and how; then the very files, with what will be asked about. While it runs the
// same list fills in.
#pragma once

#include "deliver/order.h"

#include <QDialog>
#include <vector>

class QCheckBox;
class QComboBox;
class QGridLayout;
class QLabel;
class QLineEdit;
class QPushButton;
class QVBoxLayout;

namespace app {

class DeliverList;
class Figure;
class Session;

// Not modal: the project can be played and changed while it is open; what is being delivered stays as it was.
class DeliverSheet : public QDialog {
    Q_OBJECT
  public:
    explicit DeliverSheet(Session& session, QWidget* parent = nullptr);

  private:
    void addWhat(QVBoxLayout& column);
    void addWhere(QGridLayout& grid);
    void buildWays();
    void buildFormat();
    void buildFoot();
    void connectParts();
    QComboBox* choice(const char* name, const QString& title);
    void addRange(QGridLayout& grid);
    void refresh();
    const std::vector<deliver::Planned>& planOfEverything(const deliver::Order& order);
    std::vector<deliver::Planned> planOf(deliver::Order all) const;
    void refreshRange();
    void deliver();
    void remember();
    void fileDone(qint64 job, int file, bool written);
    void ended(qint64 job);
    deliver::Order order() const;
    bool isRunning() const { return job_ != 0; }

    Session& session_;
    std::vector<QCheckBox*> what_;
    std::vector<QLabel*> sizes_; // how many files and how large, beside each
    QLineEdit* folder_;
    QLineEdit* pattern_;
    QComboBox* kind_;
    QComboBox* depth_;
    QComboBox* quality_;
    QComboBox* rate_;
    QComboBox* level_;
    QCheckBox* tags_;
    Figure* fromBar_;
    Figure* toBar_;
    Figure* tail_;
    std::optional<int> from_; // none: bar 1
    std::optional<int> to_;   // none: the last in which something sounds
    double tailSeconds_ = 0;
    DeliverList* files_;
    QCheckBox* replace_;
    QLabel* trouble_;
    QPushButton* close_;
    QPushButton* deliver_;
    std::int64_t job_ = 0; // that is under way
    std::vector<deliver::Planned> running_;
    // What everything comes to, and of what and by which order that was found.
    project::LaidPtr plannedOf_;
    deliver::Order plannedBy_;
    std::vector<deliver::Planned> everything_;
};

} // namespace app
