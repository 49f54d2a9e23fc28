// The real window, driven by mouse and keys.
#pragma once

#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "play/simulated_output.h"
#include "support/files.h"

#include <QApplication>
#include <QClipboard>
#include <QFileDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPointer>
#include <QSplitter>
#include <QTabBar>
#include <QTest>
#include <functional>
#include <gtest/gtest.h>

namespace ui {

// With the sanitizers everything is many times slower.
#ifdef PM_SANITIZED
inline constexpr int patience = 600'000; // ms
#else
inline constexpr int patience = 30'000;
#endif

// Waits, with the event loop running, until something holds; fails the test when it never does.
inline bool waitFor(const std::function<bool()>& holds) {
    return QTest::qWaitFor(holds, patience);
}

struct Window {
    play::SimulatedOutput* output;
    std::unique_ptr<app::MainWindow> window;

    Window() {
        auto simulated = std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime, 60);
        output = simulated.get();
        window = std::make_unique<app::MainWindow>(
            play::OpenedOutput{std::move(simulated), "Playing silently: no sound device was found."});
        window->resize(1280, 800);
        window->show();
        EXPECT_TRUE(QTest::qWaitForWindowExposed(window.get()));
        activate();
    }

    app::Session& session() { return window->session(); }
    app::BarsView& bars() { return window->bars(); }
    const project::Project& now() { return session().now(); }

    void key(Qt::Key k, Qt::KeyboardModifiers m = Qt::NoModifier) {
        QWidget* to = QApplication::focusWidget() != nullptr ? QApplication::focusWidget() : window.get();
        QTest::keyClick(to, k, m);
    }
    void type(const QString& text) {
        QWidget* to = QApplication::focusWidget();
        ASSERT_NE(to, nullptr);
        QTest::keyClicks(to, text);
    }

    // There is no window manager to do this when a dialog closes.
    void activate() {
        window->activateWindow();
        ASSERT_TRUE(QTest::qWaitForWindowActive(window.get()));
    }

    // Brings files in through the menu's dialog, by typing their names.
    void import(const std::vector<std::filesystem::path>& files) {
        key(Qt::Key_I, Qt::ControlModifier);
        QString names;
        for (const auto& f : files)
            names += "\"" + QString::fromStdString(f.string()) + "\" ";
        typeInto("importDialog", files.size() == 1 ? names.trimmed().remove('"') : names.trimmed());
        settle();
    }
    void typeInto(const char* dialogName, const QString& text) {
        QFileDialog* dialog = nullptr;
        ASSERT_TRUE(waitFor([&] {
            return (dialog = window->findChild<QFileDialog*>(dialogName)) != nullptr && dialog->isVisible();
        }));
        auto* edit = dialog->findChild<QLineEdit*>("fileNameEdit");
        ASSERT_NE(edit, nullptr);
        edit->setCompleter(
            nullptr); // suggestions would take the keys for themselves, depending on how fast the disk is
        edit->setFocus();
        edit->clear();
        // Pasted: typed letter by letter, the dialog walks into every folder on the way.
        QApplication::clipboard()->setText(text);
        QTest::keyClick(edit, Qt::Key_V, Qt::ControlModifier);
        const QPointer<QFileDialog> open(dialog);
        QTest::keyClick(edit, Qt::Key_Return);
        ASSERT_TRUE(waitFor([&] { return open.isNull(); }));
        activate();
    }
    // Until nothing is under way any more.
    void settle() {
        ASSERT_TRUE(
            waitFor([&] { return !session().jobs().isBusy() && session().player().pendingRenders() == 0; }));
    }

    // The Bench with the column of its rarer figures, and high from the next selection on.
    void openBench() {
        auto* bench = child<app::Bench>("bench");
        bench->setShowsMore(true);
        auto* splitter = qobject_cast<QSplitter*>(bench->parentWidget());
        ASSERT_NE(splitter, nullptr);
        const auto open = [bench, splitter] {
            if (!bench->isFolded()) splitter->setSizes({160, 500});
        };
        QObject::connect(&session(), &app::Session::selectionChanged, bench, open);
        open();
    }

    // A page of the shelf: 0 library, 1 folders, 2 in project.
    void shelfPage(int page) {
        auto* tabs = child<QTabBar>("shelfTabs");
        QTest::mouseClick(tabs, Qt::LeftButton, {}, tabs->tabRect(page).center());
    }
    QPoint middleOf(app::ClipId id) {
        const project::LaidClip* clip = session().laid()->find(id);
        if (clip != nullptr) return bars().layout().clip(*clip).center().toPoint();
        ADD_FAILURE() << "no such clip";
        return {};
    }
    // A drag within the bars, in steps as a hand makes it.
    void drag(QPoint from, QPoint to, Qt::KeyboardModifiers m = Qt::NoModifier) {
        QWidget* v = bars().viewport();
        QTest::mousePress(v, Qt::LeftButton, m, from);
        for (int i = 1; i <= 8; ++i)
            QTest::mouseMove(v, from + (to - from) * i / 8);
        QTest::mouseRelease(v, Qt::LeftButton, m, to);
    }
    QString status() { return window->findChild<QLabel*>("statusSentence")->text(); }
    template <class T>
    T* child(const char* name) {
        T* found = window->findChild<T*>(name);
        EXPECT_NE(found, nullptr) << name;
        return found;
    }
};

inline std::filesystem::path hands() {
    return support::demoAudio("winch_hands_112bpm.wav");
}
inline std::filesystem::path bass() {
    return support::demoAudio("keel_bass_96.aiff");
}
inline std::filesystem::path shaker() {
    return support::demoAudio("rope_shaker_124.wav");
}

} // namespace ui
