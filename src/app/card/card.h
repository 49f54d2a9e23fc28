// The Card: the settings of the selected clips, the ten that are used most in view, the others behind More.
#pragma once

#include "project/history.h"
#include "project/laid.h"

#include <QWidget>
#include <functional>
#include <vector>

class QComboBox;
class QGridLayout;
class QLayout;
class QLabel;
class QLineEdit;
class QPushButton;

namespace app {

class CompareRow;
class Figure;
class Session;
class StrainBar;
class Tightening;
using project::ClipId;

class Card : public QWidget {
    Q_OBJECT
  public:
    explicit Card(Session& session, QWidget* parent = nullptr);
    void swapCompared();

  private:
    QLayout* buildMethods();
    QLayout* buildStrain();
    void buildTen(QGridLayout& grid);
    void buildFigures();
    void buildMore(QGridLayout& grid);
    void connectTime();
    void connectCountsAs();
    void connectBars();
    void connectBegins();
    void connectSound();
    void connectMoreFigures();
    void refresh();
    void refreshTime();
    void refreshSound();
    std::int64_t selectedObject() const;
    void changeGain(double db, bool relative);
    void changeTranspose(double semitones, bool relative);
    using Edit = base::Result<project::Project>;
    // An edit of the selected clips, by name.
    void change(const QString& what,
                const std::function<Edit(const project::Project&, const std::vector<ClipId>&)>& edit,
                const project::Gesture& gesture = {});
    // A figure of clips: typed it is set, turned it moves each clip's own by the same step.
    struct ClipFigure {
        QString what;  // the edit's name
        QString typed; // what the text is not, where it is none: "a length in seconds"
        double step = 1;
        double fine = 0.1;
        std::function<Edit(const project::Project&, const std::vector<ClipId>&, double)> set;
        std::function<double(const project::LaidClip&)> get;
    };
    void connectFigure(Figure* figure, const ClipFigure& f);
    QLayout* buildRules();
    void addPitchRows(QGridLayout* grid, int& row);
    void addLoopRows(QGridLayout* grid, int& row);
    void addLevelRows(QGridLayout* grid, int& row);
    void addMarkRows(QGridLayout* grid, int& row);
    void refreshMore();
    void refreshRule();
    void refreshWays();
    void refreshName();

    Session& session_;
    // The ten that are used most.
    std::vector<std::pair<stretch::Method, QPushButton*>> methods_;
    std::vector<std::pair<project::TimeRule, QPushButton*>> rules_;
    StrainBar* strainBar_;
    QLabel* strain_;
    Figure* countsAs_;
    QPushButton* forRecording_; // makes that the recording's
    Figure* bars_;
    Figure* begins_;
    Figure* offset_;
    Figure* transpose_;
    Figure* repeats_;
    Figure* gain_;
    Figure* fadeIn_;
    Figure* fadeOut_;
    Tightening* tightening_;
    QLabel* purpose_; // what the chosen method is good for, and where the rule comes from
    CompareRow* compare_;
    QPushButton* more_;
    QWidget* rest_; // behind More
    QPushButton* formants_;
    QLabel* ruleFrom_;
    Figure* sensitivity_;
    QPushButton* followsKey_;
    QPushButton* toRelatives_;
    Figure* turnFrom_;
    Figure* turnTo_;
    std::vector<std::pair<project::Normalise, QPushButton*>> normalise_;
    QComboBox* channels_;
    QPushButton* quiet_;
    QPushButton* flipLeft_;
    QPushButton* flipRight_;
    QPushButton* lock_;
    QPushButton* mute_;
    QPushButton* tint_;
    QLineEdit* clipName_;
};

} // namespace app
