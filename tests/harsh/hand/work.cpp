#include "harsh/hand/work.h"

#include "deliver/order.h"
#include "project/edit_clips.h"
#include "project/edit_pins.h"
#include "project/edit_time.h"

#include <QAction>
#include <QTest>
#include <algorithm>
#include <vector>

namespace harsh {

namespace {

std::vector<std::filesystem::path> filesIn(const std::filesystem::path& folder) {
    std::vector<std::filesystem::path> files;
    for (const auto& entry : std::filesystem::directory_iterator(folder))
        files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    return files;
}

void deliverTo(app::Session& session, const std::filesystem::path& folder) {
    deliver::Order order;
    order.what = {deliver::What::Loops, deliver::What::Map};
    order.clips = project::allClips(session.now());
    order.folder = folder;
    order.title = "journey";
    order.existing = base::Existing::Replace;
    if (auto plan = deliver::plan(*session.laid(), order)) session.delivery().deliver(order, std::move(*plan));
}

} // namespace

void workOnce(app::MainWindow& window, const Place& place, int edit) {
    app::Session& session = window.session();
    const auto act = [&](const char* command) {
        if (auto* action = window.findChild<QAction*>(command)) action->trigger();
    };
    session.edit("Tempo", project::setTempo(session.now(), tempoOf(edit)));
    const auto files = filesIn(place.loops());
    const auto& sources = session.now().sources;
    const auto round = static_cast<std::size_t>(edit);
    if (edit % 11 == 5 && !session.jobs().isBusy(app::Lane::Import) && sources.size() < 12)
        session.importing().bringIn({files[round % files.size()]}, {}, metre::Beats(4.0 * (edit % 16)));
    if (edit % 5 == 2 && !sources.empty()) {
        const project::SourcePtr s = sources[round % sources.size()];
        if (s->beats)
            session.edit("Pin",
                         project::putPin(session.now(), s->id, s->length() * 0.5, // wherever that is
                                         metre::Beats(std::round(s->beats->beatAt(s->length() * 0.5).value))));
    }
    if (edit % 7 == 3 && !session.jobs().isBusy(app::Lane::Save)) session.files().save(place.journey());
    if (edit % 13 == 7 && !session.jobs().isBusy(app::Lane::Deliver)) deliverTo(session, place.out());
    if (edit % 17 == 9) {
        act("undo");
        act("redo");
    }
    if (edit % 19 == 4) session.transport().toggle();
}

} // namespace harsh
