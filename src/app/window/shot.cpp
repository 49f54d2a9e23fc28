#include "app/window/shot.h"

#include "app/widgets/text.h"
#include "app/window/main_window.h"

#include <QAction>
#include <QCoreApplication>
#include <QDialog>
#include <QPainter>
#include <QPixmap>
#include <cstdio>

namespace app {

Shot::Shot(MainWindow& window, ShotOptions options) : window_(window), options_(std::move(options)) {
    connect(&timer_, &QTimer::timeout, this, &Shot::look);
    timer_.start(50);
}

void Shot::look() {
    Session& s = window_.session();
    if (s.jobs().isBusy() || s.player().pendingRenders() > 0 || s.proofs().summary().waiting > 0) return;
    if (!options_.dialog.isEmpty()) {
        if (auto* action = window_.findChild<QAction*>(options_.dialog)) action->trigger();
        options_.dialog.clear();
    }
    // Two rounds more, so that what has just changed is laid out and painted.
    if (++settled_ == 3) take();
}

void Shot::take() {
    timer_.stop();
    QPixmap picture = window_.grab();
    for (QDialog* dialog : window_.findChildren<QDialog*>()) {
        if (!dialog->isVisible()) continue;
        const QPixmap over = dialog->grab();
        QPainter p(&picture);
        const QPoint at((window_.width() - dialog->width()) / 2, (window_.height() - dialog->height()) / 2);
        p.drawPixmap(at, over);
        p.drawRect(QRect(at, dialog->size()).adjusted(-1, -1, 0, 0));
    }
    const bool ok = picture.save(options_.file, "PNG");
    std::fprintf(stderr, ok ? "%s written\n" : "%s could not be written\n", qPrintable(options_.file));
    QCoreApplication::exit(ok ? 0 : 1);
}

} // namespace app
