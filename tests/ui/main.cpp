#include "app/widgets/tokens.h"
#include "support/files.h"

#include <QApplication>
#include <gtest/gtest.h>

int main(int argc, char** argv) {
    // Nothing of the person who runs the tests is read or written.
    const support::Folder home;
    setenv("HOME", home.path().c_str(), 1);
    unsetenv("PATIENT_METRE_DATA");
    setenv("XDG_CACHE_HOME", (home / "cache").c_str(), 1);
    setenv("XDG_DATA_HOME", (home / "data").c_str(), 1);
    setenv("XDG_RUNTIME_DIR", home.path().c_str(), 1);
    if (getenv("QT_QPA_PLATFORM") == nullptr) setenv("QT_QPA_PLATFORM", "offscreen", 1);
    testing::InitGoogleTest(&argc, argv);
    QApplication application(argc, argv);
    QApplication::setApplicationName("patient-metre");
    QApplication::setStyle("Fusion");
    if (!app::loadFonts()) return 1;
    app::setTheme(app::Theme::Paper);
    return RUN_ALL_TESTS();
}
