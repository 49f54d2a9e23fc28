// What the window works with: the document, the player, long work, and what is kept beside them.
#pragma once

#include "app/session/audition.h"
#include "app/session/autosave.h"
#include "app/session/document.h"
#include "app/session/jobs.h"
#include "app/session/mailbox.h"
#include "app/session/preferences.h"
#include "app/session/proofs.h"
#include "app/session/remembered.h"
#include "deliver/deliver.h"
#include "deliver/midi_map.h"
#include "play/player.h"
#include "project/import.h"
#include "sound/audio_store.h"

#include <QObject>
#include <QStringList>
#include <QTimer>
#include <filesystem>
#include <memory>
#include <optional>
#include <vector>

namespace app {

// What an import brought.
struct BroughtIn {
    QString title;
    std::vector<SourceId> sources;
    QStringList problems;                          // files that did not come in, and warnings
    std::vector<std::vector<SourceId>> likelySets; // equally long
    std::optional<SourceId> mayLead;               // the first, where the project was empty before
};

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
    QString outputTold() const { return outputTold_; }

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

    void togglePlay();
    void stop(); // a second stop goes back to the beginning
    void locate(Beats to);
    // To a place in the piece: while playing from the next bar line on, unless at once.
    void goTo(Beats to, bool atOnce);
    // To the n-th section, counted from 1.
    void goToSection(int n, bool atOnce);

    // The selected clips, taken for pasting; pasted at the play position, they are selected.
    void copySelected();
    void cutSelected();
    void paste();
    bool canPaste() const { return !taken_.empty(); }

    // Looks for the sound device that is preferred, and takes it; where nobody asked, it says only what is wrong.
    void takeDevice(bool isAsked = true);

    // Long work; each says in the end what it did.
    // Files, and folders for the audio in them: each on a track of its own, or on the track that is said, one after
    // the other, from `at` on. What is short comes in heard; what is long stands on the page as soon as it is
    // decoded, and is heard behind.
    void importFiles(std::vector<std::filesystem::path> files, std::optional<TrackId> track, Beats at);
    // Writes the selected clips as fitted loops into a folder of the library's own, with tempo, key and beats in
    // their tags, and takes them into it.
    void addToLibrary();
    // The project takes the tempo of a file: what the library knows, or what is heard now.
    void takeTempoFrom(const std::filesystem::path& file);
    void open(const std::filesystem::path& path);
    // Who is asked before a document that was changed while another was being opened gives way to that: to be
    // called with what is about to happen, and what does it.
    using Before = std::function<void(const QString& what, const std::function<void()>& go)>;
    void askBefore(Before before) { before_ = std::move(before); }
    void save(const std::filesystem::path& folder, std::function<void()> afterwards = {});
    // Writes what was planned of the project as it is now; its number among the jobs, which say when
    // it has ended. Says of each file when it is done.
    std::int64_t deliver(const deliver::Order& order, std::vector<deliver::Planned> plan);
    // Writes the selected clips as fitted loops into a folder of their own, so that they can be handed to another
    // program, and then calls `ready` with the files.
    void handOut(std::function<void(const std::vector<std::filesystem::path>&)> ready);
    // The project takes tempo and metre from a Standard MIDI File.
    void takeMap(const std::filesystem::path& file);
    // Looks for what a window that ended unexpectedly left behind, and offers the newest by recoverable().
    void lookForRecovery();
    void startNew();
    void recover(const std::filesystem::path& autosaved);
    // Listens to sources again, between these tempos, and uses what then ranks highest.
    void listenAgain(const std::vector<SourceId>& sources, hear::Window window);
    // Listens to a source anew, or the sum of its set, as to one that was played so, and uses what is heard.
    void straighten(SourceId source, hear::Feel feel);
    // Lets a clip lead, and says what comes of it.
    bool lead(ClipId clip, project::Lead::Every every, metre::Seconds smooth);
    // With one tempo where it is steady, beat by beat where it was played free.
    bool leadAsItIsPlayed(ClipId clip);
    void letGo();
    // Keeps sources together as a set: listens to their sum, off the interface thread, then one edit. Says why
    // where that cannot be.
    void makeSet(const std::vector<SourceId>& sources);
    // The sources of the sets that these belong to go their own ways again.
    void partSets(const std::vector<SourceId>& sources);
    // The project takes the tempo at which its sources together are strained least; those that count as half or
    // double there are said to be. One edit.
    void meet();
    // Selects a hit's clip and goes to where it is.
    void goTo(const Proofs::Place& place);
    // Brings the selected clips to a level: measured off the interface thread, then one edit.
    void normalise(project::Normalise how);
    // Removes what was decoded and fitted from the disk; what is in use is heard as before.
    void emptyStore();
    // Makes the part that the selected clip plays a recording of its own, in the project's folder, and lets the
    // clip play that; the source stays whole.
    void extractPart();
    // Reads all audio anew at another rate, and plays at it.
    void setRate(int rate);
    // Looks in a folder, and all within it, for the audio that is missing: by what it sounds like, whatever it is
    // called now.
    void findMissing(const std::filesystem::path& folder);
    // Writes tempo, key, and for loops the root note and loop points into the sources' own files.
    void writeIntoFiles(const std::vector<SourceId>& sources);
    // No longer remembers what was settled for these.
    void forgetSettled(const std::vector<SourceId>& sources);

    void say(const QString& sentence);                             // the status line
    void complain(const QString& title, const QStringList& lines); // the message bar

  signals:
    void changed(); // the document
    void selectionChanged();
    void preferred(); // the preferences
    void rendered();  // more clips are rendered, or other ones are wanted
    void proven();    // a proof was measured, or is out of date
    void ticked();    // about 60 times a second: the play position and the meters are to be looked at
    void said(const QString& sentence);
    void told(const QString& title, const QStringList& lines, bool isProblem);
    void broughtIn(const BroughtIn& brought);
    void deviceLost(const QString& sentence);
    void fileDelivered(qint64 job, int file, bool written); // by its place in the plan
    void opened();                                          // another document
    void saved();
    void recoverable(const std::filesystem::path& file, const QString& of);

  private:
    void measured(project::Normalise how, const std::vector<ClipId>& clips, const std::vector<double>& gains);
    struct Import; // one that is under way (session_import.cpp)
    void bringIn(Import& import, std::size_t file, project::Source source);
    void heardOf(Import& import, std::size_t file, project::Source heard);
    void importEnded(Import& import, bool cancelled);
    void readAtRate();
    void hearWhatWasNotHeard();
    void tick();
    void mapRead(const std::filesystem::path& file, const deliver::ReadMap& read);
    void deviceOpened(play::OpenedOutput opened, bool isAsked);
    void watchDevice();
    void watchStore();
    void watchRenders();
    void replaceDocument(project::Project p, const std::filesystem::path& folder, bool saved);

    Document document_;
    Autosave autosave_;
    Remembered remembered_;
    Mailbox mailbox_;                          // outlives the player and the jobs
    std::unique_ptr<sound::AudioStore> store_; // and so does this
    Preferences preferences_;
    QString outputTold_;
    QTimer timer_;
    std::size_t lastPending_ = 0;
    bool toldFailure_ = false;
    std::int64_t unread_ = 0; // pages of the store
    std::unique_ptr<play::Player> player_;
    std::int64_t imports_ = 0;
    Before before_;
    bool readingAtRate_ = false;
    std::vector<project::Taken> taken_;
    std::int64_t takenFrom_ = 0; // the document's generation
    std::unique_ptr<LibraryDesk> library_;
    Jobs jobs_; // ends before what it uses
    std::unique_ptr<Proofs> proofs_;
    std::int64_t renderChanges_ = -1;    // that the proofs know of
    std::unique_ptr<Audition> audition_; // last: uses the library
};

} // namespace app
