// What is auditioned: a file is read on a worker, heard at once, and in tempo as soon as its tempo is known.
#pragma once

#include "app/session/audition_ways.h"
#include "app/session/library_desk.h"
#include "app/session/mailbox.h"
#include "play/player.h"
#include "project/read_source.h"
#include "sound/audio_store.h"

#include <QObject>
#include <list>
#include <optional>

namespace app {

// Interface thread.
class Audition : public QObject {
    Q_OBJECT
  public:
    Audition(play::Player& player, LibraryDesk& desk, sound::AudioStore& store, QObject* parent = nullptr);
    ~Audition() override;

    const AuditionWays& ways() const { return ways_; }
    void setWays(const AuditionWays& ways);

    // What is selected on the shelf: shown, and heard where that is automatic. The same again changes nothing.
    void pick(const std::filesystem::path& file, int rate);
    // The same of a source that is in the project already.
    void pick(const project::SourcePtr& source);
    // The project is at this rate now: what is picked is read anew where its sound is at another, and heard again
    // if it was.
    void setRate(int rate);
    // Lets what is picked be heard, or stops it.
    void hear();
    void stop();
    bool isHeard() const { return wantsToHear_; }
    // From this moment of the recording on.
    void hearFrom(metre::Seconds at);

    // What is picked, as far as it is read; null where nothing is.
    const std::shared_ptr<const project::Source>& source() const { return source_; }
    const std::filesystem::path& file() const { return file_; }
    const QString& problem() const { return problem_; } // why it cannot be heard
    bool isReading() const { return isReading_; }
    std::optional<metre::Seconds> position() const;
    play::Player& player() { return player_; }

  signals:
    void changed(); // what is picked, what is known of it, or how it is heard

  private:
    struct Request {
        std::int64_t number = 0;
        std::filesystem::path file;
        int rate = 0;
    };
    struct Kept {
        sound::ListedFile listed;
        int rate = 0;
        std::shared_ptr<const project::Source> source;
    };
    struct Known {
        sound::ListedFile listed;
        std::optional<project::Source> source; // as the library knows it
        double seconds = 0;
    };
    void work(const std::stop_token& end);
    void read(const Request& request, const std::stop_token& end);
    bool handKept(const Request& request, const sound::ListedFile& listed);
    bool handBeginning(const Request& request, sound::Begun& begun, const Known& known,
                       const base::Progress& progress);
    std::optional<project::Source> inLibrary(const std::filesystem::path& file);
    std::shared_ptr<project::Source> listenTo(const Request& request, const sound::ListedFile& listed,
                                              project::ReadSource& whole, const base::Progress& progress);
    void keep(const sound::ListedFile& listed, int rate, const std::shared_ptr<const project::Source>& source);
    void hand(std::int64_t number, std::shared_ptr<const project::Source> source, bool done);
    void fail(std::int64_t number, const QString& problem);
    void tell();

    play::Player& player_;
    LibraryDesk& desk_;
    sound::AudioStore& store_;
    Mailbox mailbox_;
    AuditionWays ways_;
    std::shared_ptr<const project::Source> source_;
    std::filesystem::path file_;
    QString problem_;
    bool isReading_ = false;
    bool wantsToHear_ = false;
    std::int64_t number_ = 0;

    std::list<Kept> kept_;     // the worker's own: what was read last, the newest first
    mutable std::mutex mutex_; // guards what follows
    std::condition_variable_any wake_;
    std::optional<Request> asked_;
    std::stop_source reading_;
    std::jthread thread_; // last: ends first
};

} // namespace app
