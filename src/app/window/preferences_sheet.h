// Preferences: a column of groups, each choice with a line on what it changes. Applies at once.
#pragma once

#include "app/session/preferences.h"

#include <QDialog>
#include <functional>

class QComboBox;
class QListWidget;
class QStackedWidget;
class QVBoxLayout;

namespace app {

class Figure;
class Session;

class PreferencesSheet : public QDialog {
    Q_OBJECT
  public:
    explicit PreferencesSheet(Session& session, QWidget* parent);

  private:
    QVBoxLayout* group(const QString& title);
    void add(QVBoxLayout* page, const QString& title, QWidget* control, const QString& changes);
    QComboBox* choice(const QString& name, const QString& title,
                      const std::vector<std::pair<QString, QVariant>>& all, const QVariant& now,
                      std::function<void(const QVariant&)> take);
    void addDevice();
    void addPlaying();
    void addProject();
    void addSources();
    void addTogether();
    void addProof();
    void addLook();
    // What the table asks for in a group.
    void addAsked(QVBoxLayout* page, Asked::Group group);
    QWidget* controlOf(const PreferenceEntry& entry);
    QWidget* figureOf(const PreferenceEntry& entry);
    void prefer(const std::function<void(Preferences&)>& change);
    void refresh();

    Session& session_;
    QListWidget* groups_;
    QStackedWidget* pages_;
    Figure* click_ = nullptr;
    Figure* output_ = nullptr;
    QComboBox* rate_ = nullptr;
};

} // namespace app
