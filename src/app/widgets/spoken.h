// What a canvas shows, said: a tree of named things, for screen readers and for whoever works without a pointer.
#pragma once

#include <QAccessible>
#include <QRect>
#include <QString>
#include <functional>
#include <optional>
#include <vector>

class QWidget;

namespace app {

// A figure that can be turned.
struct SpokenNumber {
    double now = 0;
    double least = 0;
    double most = 0;
    double step = 1;
    std::function<void(double)> set = {}; // empty: it is only read
};

struct SpokenAction {
    QString name;
    std::function<void()> run;
};

// One thing on a canvas.
struct SpokenItem {
    QString key; // among all of its canvas, and the same as long as the thing is there: "clip 12"
    QAccessible::Role role = QAccessible::ListItem;
    QString name;
    QString value = {};
    QString more = {}; // described at length
    QRect where = {};  // pixels of the surface; may lie out of view
    bool isSelected = false;
    std::optional<bool> isOn = {}; // none: it is no switch
    std::optional<SpokenNumber> number = {};
    std::function<void()> reach = {};       // puts the keyboard's cursor on it; empty: it cannot be there
    std::vector<SpokenAction> actions = {}; // the first is what a press does
    std::vector<SpokenItem> children = {};
};

// A widget that draws what it shows: things which are no widgets, or itself as one. Interface thread.
class Spoken {
  public:
    Spoken() = default;
    Spoken(const Spoken&) = delete;
    Spoken& operator=(const Spoken&) = delete;
    virtual ~Spoken() = default;
    virtual std::vector<SpokenItem> spoken() = 0;
    // The key of the thing that the keyboard acts on; empty: none.
    virtual QString spokenCursor() const { return {}; }
    // In whose pixels things lie.
    virtual QWidget& spokenSurface() = 0;

    // The canvas itself, where it is one thing.
    virtual QAccessible::Role spokenRole() const { return QAccessible::Canvas; }
    virtual QString spokenValue() const { return {}; }
    virtual std::vector<SpokenAction> spokenActions() { return {}; }
};

// From now on every widget that is Spoken is told to screen readers as a tree. Once for the application.
void speakCanvases();
// What it shows is another: whoever listens is told what changed, once for all changes before the next event.
// Costs nothing while nobody listens. REQUIRES a widget that is Spoken.
void spokenChanged(QWidget& canvas);
// Sends an event to whoever listens: the desktop's readers, or, where one is set, another listener.
void tellReaders(QAccessibleEvent& event);
void setReader(std::function<void(QAccessibleEvent&)> reader);

} // namespace app
