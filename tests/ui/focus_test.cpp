// Who does not use a pointer sees where the keyboard is; who does not tell colours apart sees what is meant.
#include "ui/window.h"

#include "app/widgets/landing_mark.h"

#include <QAbstractItemView>
#include <QCheckBox>
#include <QPainter>
#include <QScrollBar>
#include <algorithm>
#include <gmock/gmock.h>
#include <set>

namespace {

using namespace ui;

QString nameOf(const QWidget* w) {
    return QStringLiteral("%1 “%2” (%3)").arg(w->metaObject()->className(), w->objectName(), w->accessibleName());
}

// How many pixels of the window are others with the focus there than with it elsewhere.
int changedBy(Window& w, QWidget* control, QWidget* elsewhere) {
    if (QApplication::activeWindow() != w.window.get()) w.activate(); // without it nothing has the focus
    elsewhere->setFocus(Qt::TabFocusReason);
    QCoreApplication::processEvents();
    const QRect about(control->mapTo(w.window.get(), QPoint(-4, -4)), control->size() + QSize(8, 8));
    const QImage before = w.window->grab(about).toImage();
    control->setFocus(Qt::TabFocusReason);
    QCoreApplication::processEvents();
    const QImage after = w.window->grab(about).toImage();
    int changed = 0;
    for (int y = 0; y < before.height(); ++y)
        for (int x = 0; x < before.width(); ++x)
            changed += before.pixel(x, y) != after.pixel(x, y) ? 1 : 0;
    return changed;
}

std::vector<QWidget*> reachedByTab(QWidget* window) {
    std::vector<QWidget*> list;
    for (QWidget* at = window->nextInFocusChain(); at != window; at = at->nextInFocusChain())
        if (at->isVisibleTo(window) && at->isEnabled() && (at->focusPolicy() & Qt::TabFocus) != 0 &&
            at->focusProxy() == nullptr && !at->size().isEmpty() && at->window() == window)
            list.push_back(at);
    return list;
}

class FocusOnPage : public testing::TestWithParam<app::Theme> {};

TEST_P(FocusOnPage, IsSeenOnEveryControlThatTabReaches) {
    app::setTheme(GetParam());
    Window w;
    w.import({hands()});
    w.session().document().select({project::allClips(w.now()).front()});
    w.settle();
    // Work that goes on has a button of its own, which goes with it.
    ASSERT_TRUE(waitFor([&] { return !w.child<QWidget>("cancelWork")->isVisible(); }));
    const auto controls = reachedByTab(w.window.get());
    EXPECT_GT(controls.size(), 40U);
    for (QWidget* control : controls) {
        QWidget* elsewhere = control == controls.front() ? controls.back() : controls.front();
        EXPECT_GE(changedBy(w, control, elsewhere), 8) << nameOf(control).toStdString();
    }
    app::setTheme(app::Theme::Paper);
}
INSTANTIATE_TEST_SUITE_P(Looks, FocusOnPage, testing::Values(app::Theme::Paper, app::Theme::Lamp, app::Theme::Ink),
                         [](const auto& look) {
                             return look.param == app::Theme::Paper  ? "Paper"
                                    : look.param == app::Theme::Lamp ? "Lamp"
                                                                     : "Ink";
                         });

TEST(Focus, IsSeenInTheSheets) {
    Window w;
    w.import({hands()});
    for (const char* name : {"preferencesSheet", "deliverSheet"}) {
        if (std::string(name) == "preferencesSheet")
            w.key(Qt::Key_Comma, Qt::ControlModifier);
        else
            w.key(Qt::Key_D, Qt::ControlModifier);
        QDialog* sheet = nullptr;
        ASSERT_TRUE(waitFor([&] {
            return (sheet = w.window->findChild<QDialog*>(name)) != nullptr && sheet->isVisible();
        })) << name;
        QApplication::setActiveWindow(sheet);
        const auto controls = reachedByTab(sheet);
        ASSERT_GE(controls.size(), 2U) << name;
        for (QWidget* control : controls) {
            QWidget* elsewhere = control == controls.front() ? controls.back() : controls.front();
            elsewhere->setFocus(Qt::TabFocusReason);
            QCoreApplication::processEvents();
            const QImage before = sheet->grab().toImage();
            control->setFocus(Qt::TabFocusReason);
            QCoreApplication::processEvents();
            EXPECT_NE(before, sheet->grab().toImage()) << nameOf(control).toStdString();
        }
        sheet->close();
        w.activate();
    }
}

// The outline of a mark, without its colour.
QImage outlineOf(prove::Landing landing) {
    QImage image(24, 24, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    QPainter p(&image);
    p.setRenderHint(QPainter::Antialiasing);
    app::paintLanding(p, {12, 12}, landing, 5);
    p.end();
    QImage outline(24, 24, QImage::Format_RGB32);
    for (int y = 0; y < 24; ++y)
        for (int x = 0; x < 24; ++x)
            outline.setPixel(x, y, qAlpha(image.pixel(x, y)) > 127 ? 0xFFFFFF : 0);
    return outline;
}

TEST(WithoutColour, EveryLandingHasAShapeOfItsOwn) {
    for (const prove::Landing a : prove::landings)
        for (const prove::Landing b : prove::landings)
            if (a != b) {
                EXPECT_NE(outlineOf(a), outlineOf(b)) << app::landingLabel(a).toStdString();
            }
}

} // namespace
