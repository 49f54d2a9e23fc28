// What the tests of whole jobs share: recordings that are made for them, and what came of these.
#pragma once

#include "app/bench/rails_view.h"
#include "project/laid.h"
#include "support/audio.h"
#include "support/free_playing.h"
#include "ui/window.h"

#include <QContextMenuEvent>
#include <QMenu>
#include <QTimer>
#include <sndfile.h>

namespace ui {

struct WorkDay : Window {
    support::Folder folder;

    // Of drums; each is another recording, which nobody has settled before.
    std::filesystem::path madeLoop(const std::string& name, double bpm, int beats = 16) {
        auto audio = support::drumLoop(support::steadyBeats(bpm, beats), beats * 60 / bpm);
        static int made = 0;
        audio.channels[0].back() = static_cast<float>(++made) * 1e-3F;
        const auto file = folder / (name + ".wav");
        support::writeSound(file, audio, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        return file;
    }
    // Played free.
    std::filesystem::path madeTake() {
        support::FreePlaying how;
        how.bpm = 97;
        how.bars = 8;
        how.seed = 4;
        const auto file = folder / "towpath.wav";
        support::writeSound(file, support::played(how).audio, SF_FORMAT_WAV | SF_FORMAT_FLOAT);
        return file;
    }
    app::ClipId lastClip() {
        const auto clips = project::allClips(now());
        return clips.empty() ? app::ClipId{} : clips.back();
    }
    const project::LaidClip& laid(app::ClipId id) { return *session().laid()->find(id); }
    const project::Source& recordingOf(app::ClipId id) { return *laid(id).recording; }
    app::RailsView& rails() { return *child<app::RailsView>("rails"); }

    // Opens the menu of a widget at a place, by a right click or the menu key, and takes an entry by the arrow
    // keys.
    void fromMenu(QWidget* of, QPoint at, QContextMenuEvent::Reason by, const QString& entry) {
        bool wasThere = false;
        QTimer hand; // while the menu is open, what runs it has the thread
        hand.setInterval(5);
        QObject::connect(&hand, &QTimer::timeout, [&] {
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            if (menu == nullptr || !menu->isVisible()) return;
            hand.stop();
            const auto isThere = [&] {
                return menu->activeAction() != nullptr && menu->activeAction()->text().contains(entry);
            };
            for (int i = 0; i < 60 && !isThere(); ++i)
                QTest::keyClick(menu, Qt::Key_Down);
            wasThere = isThere();
            QTest::keyClick(menu, wasThere ? Qt::Key_Return : Qt::Key_Escape);
        });
        hand.start();
        QContextMenuEvent event(by, at, of->mapToGlobal(at));
        QApplication::sendEvent(of, &event);
        EXPECT_TRUE(wasThere) << entry.toStdString();
        settle();
        QApplication::setActiveWindow(window.get()); // there is no window manager to do this
    }
};

} // namespace ui
