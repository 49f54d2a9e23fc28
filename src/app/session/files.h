// The project's files: opened, saved, begun anew, recovered.
#pragma once

#include "app/session/autosave.h"
#include "app/session/part.h"
#include "app/session/remembered.h"

#include <filesystem>
#include <functional>

namespace app {

class Files : public Part {
    Q_OBJECT
  public:
    Files(const Common& common, Autosave& autosave, Remembered& remembered);

    // As what it is, or as a new project of its content: saving asks where to.
    enum class As { Itself, Copy };
    void open(const std::filesystem::path& path, As as = As::Itself);
    // Who is asked before a document that was changed while another was being opened gives way to that: to be
    // called with what is about to happen, and what does it.
    using Before = std::function<void(const QString& what, const std::function<void()>& go)>;
    void askBefore(Before before) { before_ = std::move(before); }
    void save(const std::filesystem::path& folder, std::function<void()> afterwards = {});
    void startNew();
    // Looks for what a window that ended unexpectedly left behind, and offers the newest by recoverable().
    void lookForRecovery();
    void recover(const std::filesystem::path& autosaved);

  signals:
    void givesWay();   // the document that is there, at once
    void isReplaced(); // another is in its place, and what was said of it is said
    void saved();
    void recoverable(const std::filesystem::path& file, const QString& of);

  private:
    void replaceDocument(project::Project p, const std::filesystem::path& folder, bool saved);

    Autosave& autosave_;
    Remembered& remembered_;
    Before before_;
};

} // namespace app
