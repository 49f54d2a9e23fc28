// What is looked for in the library, beside words: a strip of chips, and exact limits that fold out below it.
#pragma once

#include "shelf/library.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QGridLayout;
class QLineEdit;
class QPushButton;

namespace app {

class ChipFlow;

class FilterStrip : public QWidget {
    Q_OBJECT
  public:
    explicit FilterStrip(QWidget* parent = nullptr);

    // What the chips and limits say; the project's tempo and key are those that "near", "related" and "goes with
    // the project" speak of.
    shelf::Query query(std::optional<metre::Bpm> projectTempo, std::optional<hear::Key> projectKey) const;
    // The user's own tags, as chips behind the others.
    void setTags(const std::vector<std::string>& tags);
    bool isEmpty() const; // nothing is asked for
    void clear();
    void openLimits();

  signals:
    void changed();

  private:
    QPushButton* chip(const QString& text, const QString& tip);
    void addLimits();
    void buildLimits();
    void fold(bool open);

    ChipFlow* chips_; // those that have no room stand there once the limits are open
    QPushButton* favourites_;
    QPushButton* near_;
    QPushButton* related_;
    std::vector<std::pair<QPushButton*, hear::Kind>> kinds_;
    std::vector<std::pair<QPushButton*, shelf::Mode>> modes_;
    std::vector<std::pair<QPushButton*, std::string>> tags_;
    QPushButton* more_;
    QWidget* limits_;
    QLineEdit* low_;
    QLineEdit* high_;
    QCheckBox* octaves_;
    QComboBox* key_;
    QComboBox* relation_;
    QLineEdit* shortest_;
    QLineEdit* longest_;
    QComboBox* order_;
    QCheckBox* present_;
};

} // namespace app
