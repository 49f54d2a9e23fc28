// The menu of the project's files.
#include "app/commands/command.h"
#include "app/commands/project_dialogs.h"
#include "app/deliver/deliver_sheet.h"
#include "app/shelf/shelf.h"

namespace app {

namespace {

void gatherAudio(Reach& r) {
    r.dialogs.saveThen([&r] { r.session.say(words("All audio lies in the project's folder now.")); });
}

void openDeliverSheet(Reach& r) {
    auto* sheet = new DeliverSheet(r.session, &r.frame.widget());
    sheet->setAttribute(Qt::WA_DeleteOnClose);
    sheet->show();
}

} // namespace

CommandMenu fileCommands() {
    return {
        words("&File"),
        {{{},
          {{"new", words("&New project"), "Ctrl+N", Needs::Nothing,
            [](Reach& r) { r.dialogs.whenSafe(words("Starting anew"), [&r] { r.session.files().startNew(); }); }},
           {"open", words("&Open…"), "Ctrl+O", Needs::Nothing,
            [](Reach& r) { r.dialogs.whenSafe(words("Opening another project"), [&r] { r.dialogs.askOpen(); }); }},
           {"recent", words("Open a &recent project…"), "Ctrl+Shift+O", Needs::Nothing,
            [](Reach& r) { r.dialogs.offerRecent(); }}}},
         {{},
          {{"save", words("&Save"), "Ctrl+S", Needs::Nothing, [](Reach& r) { r.dialogs.saveThen({}); }},
           {"saveAs", words("Save &as…"), "Ctrl+Shift+S", Needs::Nothing,
            [](Reach& r) { r.dialogs.askSaveAs({}); }},
           {"gather", words("Brin&g all audio into the folder"), "", Needs::Nothing, gatherAudio}}},
         {{},
          {{"import",
            words("&Import…"),
            "Ctrl+I",
            Needs::Nothing,
            [](Reach& r) { r.dialogs.askImport(); },
            {},
            {OnPage, Among::Most}},
           {"findMissing", words("Find &missing audio…"), "", Needs::Nothing,
            [](Reach& r) { r.dialogs.askMissing(); }},
           {"takeMap",
            words("Import a &tempo map (MIDI)…"),
            "",
            Needs::Nothing,
            [](Reach& r) { r.dialogs.askMap(); },
            {},
            {OnTempo}}}},
         {words("&Library"),
          {{"addFolder", words("Add a &folder…"), "", Needs::Nothing, [](Reach& r) { r.shelf.addFolder(); }},
           {"scanFolders", words("&Scan its folders again"), "", Needs::Nothing,
            [](Reach& r) { r.session.library().scan(); }},
           {"addToLibrary",
            words("Add the selected &clips to the library"),
            "",
            Needs::Clips,
            [](Reach& r) { r.session.delivery().addToLibrary(); },
            {},
            {OnClip, Among::Recording, words("Recording")}}}},
         {{}, {{"deliver", words("&Deliver…"), "Ctrl+D", Needs::Nothing, openDeliverSheet, {}, {OnClip}}}},
         {{},
          {{"preferences", words("&Preferences…"), "Ctrl+,", Needs::Nothing,
            [](Reach& r) { r.frame.showPreferences(); }},
           {"quit", words("&Quit"), "Ctrl+Q", Needs::Nothing, [](Reach& r) { r.frame.quit(); }}}}}};
}

} // namespace app
