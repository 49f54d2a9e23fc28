// Files and sources dropped on the page.
#include "app/bars/bars_view.h"

#include "app/shelf/in_project_page.h"
#include "app/widgets/dropped_files.h"
#include "app/widgets/text.h"
#include "metre/snap.h"
#include "project/edit_clips.h"

#include <QApplication>
#include <QDrag>
#include <QDragEnterEvent>
#include <QMimeData>
#include <QTimer>
#include <QUrl>

namespace app {

void BarsView::showLanding(const QPointF& at, int files) {
    const project::Project& p = session_.now();
    const auto track = layout_.trackAt(at.y(), p.tracks.size());
    const Beats beat = layout_.beat(std::max<double>(at.x(), BarsLayout::headers));
    drag_.landing = std::max(Beats(0), metre::snapped(beat, p.view.snap, p.metre));
    drag_.landingTrack = track.value_or(0);
    drag_.pointer = at;
    const QString where =
        drag_.landingTrack < p.tracks.size() ? qt(p.tracks[drag_.landingTrack]->name) : tr("new track");
    drag_.result =
        QStringLiteral("%1   %2").arg(qt(metre::positionLabel(p.metre.positionAt(*drag_.landing))), where);
    if (files > 1)
        drag_.result = drag_.landingTrack < p.tracks.size()
                           ? tr("%1   %2 files one after the other").arg(drag_.result).arg(files)
                           : tr("%1   %2 files, each on a track of its own")
                                 .arg(qt(metre::positionLabel(p.metre.positionAt(*drag_.landing))))
                                 .arg(files);
    viewport()->update();
}

void BarsView::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls() || event->mimeData()->hasFormat(InProjectPage::sourceMime))
        event->acceptProposedAction();
}

void BarsView::dragMoveEvent(QDragMoveEvent* event) {
    showLanding(event->position(), static_cast<int>(event->mimeData()->urls().size()));
    event->acceptProposedAction();
}

void BarsView::dragLeaveEvent(QDragLeaveEvent*) {
    cancelDrag();
}

void BarsView::dropEvent(QDropEvent* event) {
    showLanding(event->position(), 1);
    const BarsDrag drag = drag_;
    cancelDrag();
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    std::optional<TrackId> track;
    if (drag.landingTrack < p.tracks.size()) track = p.tracks[drag.landingTrack]->id;
    if (event->mimeData()->hasFormat(InProjectPage::sourceMime)) {
        const SourceId source{event->mimeData()->data(InProjectPage::sourceMime).toLongLong()};
        auto placed = project::place(p, source, track, *drag.landing);
        if (!placed)
            session_.say(translated(placed.error().text));
        else if (session_.edit(tr("Place"), std::move(placed->project)))
            session_.document().select({placed->id});
    } else {
        QStringList elsewhere;
        std::vector<std::filesystem::path> files = filesIn(*event->mimeData(), &elsewhere);
        for (QString& each : elsewhere)
            each = tr("%1 is not a file on this machine.").arg(each);
        if (!elsewhere.isEmpty()) session_.complain(tr("Not all files can be imported"), elsewhere);
        session_.importing().bringIn(std::move(files), track, *drag.landing);
    }
    event->acceptProposedAction();
    setFocus();
}

bool BarsView::leavesWindow(const QPointF& at) const {
    constexpr int beyond = 4; // pixels
    const QPoint there = viewport()->mapTo(window(), at.toPoint());
    return !window()->rect().adjusted(-beyond, -beyond, beyond, beyond).contains(there);
}

// The selected clips are on their way out of the window: they are written as fitted loops, and then hang on the
// pointer as files, for as long as the button is held.
void BarsView::handOut() {
    cancelDrag();
    session_.delivery().handOut([this](const std::vector<std::filesystem::path>& files) {
        QList<QUrl> urls;
        for (const auto& file : files)
            urls << QUrl::fromLocalFile(QString::fromLocal8Bit(file.string().c_str()));
        emit handedOut(urls);
        // A drag goes on until the button is released; the job that made the files ends before it.
        QTimer::singleShot(0, this, [this, urls] { carryOut(urls); });
    });
}

void BarsView::carryOut(const QList<QUrl>& urls) {
    if (!QApplication::mouseButtons().testFlag(Qt::LeftButton)) {
        session_.say(tr("The loop was not ready yet: drag the clip out again."));
        return;
    }
    auto* drag = new QDrag(this);
    auto* carried = new QMimeData;
    carried->setUrls(urls);
    drag->setMimeData(carried);
    if (drag->exec(Qt::CopyAction) == Qt::CopyAction)
        session_.say(urls.size() == 1 ? tr("%1 exported").arg(urls.front().fileName())
                                      : tr("%1 loops exported").arg(urls.size()));
}

} // namespace app
