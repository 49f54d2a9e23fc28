// What the window works with: the document, the player, long work, and the parts that work with these, by subject.
#pragma once

#include "app/session/clipboard.h"
#include "app/session/delivery.h"
#include "app/session/files.h"
#include "app/session/importing.h"
#include "app/session/levels.h"
#include "app/session/listening.h"
#include "app/session/preference_keeper.h"
#include "app/session/sounds.h"
#include "app/session/tempo_taking.h"
#include "app/session/together.h"

#include <QObject>
#include <QStringList>
#include <QTimer>
#include <memory>

namespace app {

class Session : public QObject {
    Q_OBJECT
  public:
    explicit Session(play::OpenedOutput output, QObject* parent = nullptr);
    // What is preferred; changed, it is kept, and another output is taken where it is about that.
    const Preferences& preferences() const { return preferences_; }
    void prefer(const Preferences& preferences);

    ~Session() override;

    Document& document() { return document_; }
    Jobs& jobs() { return jobs_; }
    Autosave& autosave() { return autosave_; }
    LibraryDesk& library() { return *library_; }
    Audition& audition() { return *audition_; }
    Proofs& proofs() { return *proofs_; }
    const Proofs& proofs() const { return *proofs_; }
    sound::AudioStore& store() { return *store_; }
    play::Player& player() { return *player_; }
    const play::Player& player() const { return *player_; }

    // The parts, by subject.
    Files& files() { return *files_; }
    Transport& transport() { return *transport_; }
    Device& device() { return *device_; }
    Together& together() { return *together_; }
    Clipboard& clipboard() { return *clipboard_; }
    Importing& importing() { return *importing_; }
    Listening& listening() { return *listening_; }
    Sounds& sounds() { return *sounds_; }
    Levels& levels() { return *levels_; }
    Delivery& delivery() { return *delivery_; }
    TempoTaking& tempoTaking() { return *tempoTaking_; }
    Remembered& remembered() { return remembered_; }

    // The document's, for short.
    const project::Project& now() const { return document_.now(); }
    const project::LaidPtr& laid() const { return document_.laid(); }
    const Selection& selection() const { return document_.selection(); }
    bool edit(const QString& name, base::Result<project::Project> next, const Gesture& gesture = {}) {
        return document_.edit(name, std::move(next), gesture);
    }
    bool settle(const QString& name, base::Result<project::Project> next, const Gesture& gesture = {}) {
        return document_.settle(name, std::move(next), gesture);
    }

    void say(const QString& sentence) { voice_.say(sentence); } // the status line
    void complain(const QString& title, const QStringList& lines) { voice_.complain(title, lines); }

  signals:
    void changed(); // the document
    void selectionChanged();
    void opened();    // another document
    void preferred(); // the preferences
    void rendered();  // more clips are rendered, or other ones are wanted
    void proven();    // a proof was measured, or is out of date
    void ticked();    // about 60 times a second: the play position and the meters are to be looked at
    void said(const QString& sentence);
    void told(const QString& title, const QStringList& lines, bool isProblem);

  private:
    void connectParts();
    void tick();
    void watchRenders();

    Document document_;
    Autosave autosave_;
    Remembered remembered_;
    Mailbox mailbox_;                          // outlives the player and the jobs
    std::unique_ptr<sound::AudioStore> store_; // and so does this
    Preferences preferences_;
    PreferenceKeeper keeper_;
    Voice voice_;
    QTimer timer_;
    std::size_t lastPending_ = 0;
    bool toldFailure_ = false;
    std::int64_t renderChanges_ = -1; // that the proofs know of
    std::unique_ptr<play::Player> player_;
    std::unique_ptr<LibraryDesk> library_;
    Jobs jobs_; // ends before what it uses
    std::unique_ptr<Proofs> proofs_;
    std::unique_ptr<Audition> audition_; // uses the library
    // Each uses what stands before it.
    std::unique_ptr<Device> device_;
    std::unique_ptr<Together> together_;
    std::unique_ptr<Transport> transport_;
    std::unique_ptr<Clipboard> clipboard_;
    std::unique_ptr<Files> files_;
    std::unique_ptr<Importing> importing_;
    std::unique_ptr<Listening> listening_;
    std::unique_ptr<Sounds> sounds_;
    std::unique_ptr<Levels> levels_;
    std::unique_ptr<Delivery> delivery_;
    std::unique_ptr<TempoTaking> tempoTaking_;
};

} // namespace app
