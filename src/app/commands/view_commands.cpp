// The menus of what is in view, and of help.
#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/commands/command.h"
#include "app/shelf/shelf.h"
#include "app/widgets/tokens.h"

namespace app {

namespace {

void zoomBars(Reach& r, double by) {
    r.bars.zoomBy(by, r.bars.viewport()->width() / 2.0);
}

void foldBench(Reach& r) {
    const Selection& selection = r.session.selection();
    if (selection.clips.empty() && !selection.source && !r.bench.isFolded())
        r.session.say(words("Select a clip or a source: the Bench opens with it."));
    else
        r.bench.setFolded(!r.bench.isFolded());
}

// Switched off again it is paper.
void switchTheme(Reach& r, Theme wanted) {
    setTheme(theme() == wanted ? Theme::Paper : wanted);
    r.frame.repaintAll();
    Preferences p = r.session.preferences();
    p.theme = theme();
    r.session.prefer(p);
}

} // namespace

CommandMenu viewCommands() {
    using Page = Frame::Page;
    return {words("&View"),
            {{{},
              {{"pageBars", words("Page B&ars"), "Ctrl+1", Needs::Nothing,
                [](Reach& r) { r.frame.showPage(Page::Bars); }},
               {"pageSources", words("Page So&urces"), "Ctrl+2", Needs::Nothing,
                [](Reach& r) { r.frame.showPage(Page::Sources); }},
               {"pageStrain", words("Page S&train"), "Ctrl+3", Needs::Nothing,
                [](Reach& r) { r.frame.showPage(Page::Strain); }}}},
             {{},
              {{"zoomIn", words("Zoom &in"), "Ctrl++; Ctrl+=", Needs::Nothing, [](Reach& r) { zoomBars(r, 1.25); }},
               {"zoomOut", words("Zoom &out"), "Ctrl+-", Needs::Nothing, [](Reach& r) { zoomBars(r, 0.8); }},
               {"zoomAll",
                words("Sho&w all"),
                "Ctrl+0",
                Needs::Nothing,
                [](Reach& r) { r.bars.zoomToAll(); },
                {},
                {OnPage}},
               {"zoomSelection",
                words("Show the s&election"),
                "Z",
                Needs::Nothing,
                [](Reach& r) { r.bars.zoomToSelection(); },
                {},
                {OnClip, Among::Rest, words("Select")}},
               {"follow", words("&Follow the play position"), "", Needs::Nothing,
                [](Reach& r) { r.bars.setFollows(!r.bars.follows()); },
                [](const Reach& r) { return r.bars.follows(); }}}},
             {{},
              {{"searchShelf", words("Search the li&brary"), "Ctrl+F", Needs::Nothing,
                [](Reach& r) { r.shelf.search(); }},
               {"searchLimits", words("Filter the libra&ry"), "Ctrl+Shift+F", Needs::Nothing,
                [](Reach& r) { r.shelf.searchWithin(); }}}},
             {{},
              {{"lanes",
                words("&Lanes over the bars"),
                "N",
                Needs::Nothing,
                [](Reach& r) { r.bars.setShowsLanes(!r.bars.showsLanes()); },
                [](const Reach& r) { return r.bars.showsLanes(); },
                {OnPage}},
               {"showShelf", words("&Shelf"), "", Needs::Nothing,
                [](Reach& r) { r.shelf.setVisible(!r.shelf.isVisible()); },
                [](const Reach& r) { return !r.shelf.isHidden(); }},
               {"showBench", words("Be&nch"), "B", Needs::Nothing, foldBench,
                [](const Reach& r) { return !r.bench.isFolded(); }}}},
             {words("Loo&k"),
              {{"lamp", words("By la&mplight"), "", Needs::Nothing, [](Reach& r) { switchTheme(r, Theme::Lamp); },
                [](const Reach&) { return theme() == Theme::Lamp; }},
               {"ink", words("In blac&k ink"), "", Needs::Nothing, [](Reach& r) { switchTheme(r, Theme::Ink); },
                [](const Reach&) { return theme() == Theme::Ink; }}}}}};
}

CommandMenu helpCommands() {
    return {words("&Help"),
            {{{},
              {{"firstSteps", words("&First steps"), "F1", Needs::Nothing,
                [](Reach& r) { r.frame.showHelp(HelpPage::FirstSteps); }},
               {"guide", words("&Guide"), "", Needs::Nothing, [](Reach& r) { r.frame.showHelp(HelpPage::Guide); }},
               {"words", words("&Words"), "", Needs::Nothing, [](Reach& r) { r.frame.showHelp(HelpPage::Words); }},
               {"keys", words("&Keys"), "Shift+F1", Needs::Nothing,
                [](Reach& r) { r.frame.showHelp(HelpPage::Keys); }}}},
             {{}, {{"about", words("&About Patient Metre"), "", Needs::Nothing, [](Reach& r) {
                        r.frame.showAbout();
                    }}}}}};
}

std::vector<CommandMenu> allCommands() {
    return {fileCommands(),  editCommands(),  sourceCommands(), pinCommands(),  clipCommands(), fitCommands(),
            trackCommands(), tempoCommands(), playCommands(),   viewCommands(), helpCommands()};
}

} // namespace app
