// What commands reach: the session, the places, and what only the window can do.
#pragma once

#include "app/help/help_page.h"
#include "app/session/session.h"

#include <QCoreApplication>
#include <functional>
#include <optional>
#include <vector>

class QWidget;

namespace app {

class BarsView;
class Bench;
class ProjectDialogs;
class Shelf;

// The window, as far as commands need it. Interface thread.
class Frame {
  public:
    enum class Page { Bars, Sources, Strain };

    Frame() = default;
    Frame(const Frame&) = delete;
    Frame& operator=(const Frame&) = delete;
    virtual ~Frame() = default;
    virtual QWidget& widget() = 0; // parent of what asks
    virtual void showPage(Page page) = 0;
    virtual void showHelp(HelpPage::Part part) = 0;
    virtual void showAbout() = 0;
    virtual void showPreferences() = 0;
    virtual void typeTempo() = 0; // in the head strip
    virtual void tapTempo() = 0;
    virtual void quit() = 0;
    virtual void repaintAll() = 0;
};

struct Reach {
    Session& session;
    BarsView& bars;
    Bench& bench;
    Shelf& shelf;
    ProjectDialogs& dialogs;
    Frame& frame;
    std::optional<ClipId> ledBy; // whose leading an open menu is about; else the selection's
};

// Words of commands, translated. The context is the one tools/update_translations.sh gives them.
inline QString words(const char* text) {
    return QCoreApplication::translate("app", text);
}

// What is selected, as commands ask for it.
const std::vector<ClipId>& chosenClips(const Reach& reach);
// The first of the selected clips; null for none.
const project::LaidClip* firstChosen(const Reach& reach);
// Whether clips are selected and all are so.
bool areAll(const Reach& reach, const std::function<bool(const project::LaidClip&)>& so);
project::SourcePtr chosenSource(const Reach& reach);
// The selected clip; else the first of the selected source.
std::optional<ClipId> chosenClip(const Reach& reach);
// The sources of the selected clips, each once.
std::vector<SourceId> sourcesOfChosen(const Reach& reach);
// The sources that a command about several is meant for: the selected one, else those of the selected clips.
std::vector<SourceId> sourcesMeant(const Reach& reach);
// What is selected, for a sentence: a clip's name, or how many clips.
QString nameOfChosen(const Reach& reach);

// An edit of the selected clips; says "NAME: SENTENCE" when it was made.
bool editChosen(Reach& reach, const QString& step, base::Result<project::Project> next, const QString& sentence);
// An edit that makes clips: they are selected.
void arrange(Reach& reach, const QString& step, base::Result<project::Arranged> arranged);
// Selects those clips that are so.
void selectWhere(Reach& reach, const std::function<bool(const project::LaidClip&)>& wanted);

} // namespace app
