#include "app/session/jobs.h"

#include "base/background.h"

#include <algorithm>
#include <cmath>
#include <new>

namespace app {

Jobs::~Jobs() {
    for (const auto& job : jobs_)
        job->thread.request_stop();
}

Jobs::Job* Jobs::find(std::int64_t id) {
    const auto at = std::find_if(jobs_.begin(), jobs_.end(), [id](const auto& job) { return job->id == id; });
    return at == jobs_.end() ? nullptr : at->get();
}

bool Jobs::isBusy(Lane lane) const {
    return std::any_of(jobs_.begin(), jobs_.end(), [lane](const auto& job) { return job->lane == lane; });
}

std::vector<Jobs::Shown> Jobs::shown() const {
    std::vector<Shown> list;
    for (const bool queued : {false, true})
        for (const auto& job : jobs_)
            if (job->thread.joinable() != queued)
                list.push_back({job->id, job->what, job->pieces, job->fraction, queued});
    return list;
}

std::int64_t Jobs::begin(Lane lane, const QString& what, int pieces, Work work) {
    auto job = std::make_unique<Job>();
    job->id = nextId_++;
    job->lane = lane;
    job->what = what;
    job->pieces = pieces;
    job->work = std::move(work);
    const std::int64_t id = job->id;
    jobs_.push_back(std::move(job));
    startWaiting();
    emit changed();
    return id;
}

void Jobs::startWaiting() {
    std::vector<Lane> taken;
    for (const auto& job : jobs_) {
        if (std::find(taken.begin(), taken.end(), job->lane) != taken.end()) continue;
        taken.push_back(job->lane);
        if (!job->thread.joinable()) run(*job);
    }
}

void Jobs::run(Job& job) {
    job.thread = std::jthread([this, id = job.id, work = std::move(job.work)](const std::stop_token& stop) {
        base::workInBackground();
        double told = -1;
        const auto report = [this, id, told](double fraction) mutable {
            if (std::abs(fraction - told) < 0.005) return; // a queued call each is not free
            told = fraction;
            mailbox_.post([this, id, fraction] {
                if (Job* job_ = find(id)) job_->fraction = fraction;
                emit changed();
            });
        };
        Finish done;
        QString reason;
        try {
            done = work({report, stop});
        } catch (const std::bad_alloc&) {
            reason = tr("There is not enough memory for it.");
        } catch (const std::exception& e) {
            reason = QString::fromUtf8(e.what());
        }
        mailbox_.post([this, id, done = std::move(done), reason] { finish(id, done, reason); });
    });
}

void Jobs::finish(std::int64_t id, const Finish& done, const QString& reason) {
    Job* job = find(id);
    if (job == nullptr) return;
    const QString what = job->what;
    job->thread.join();
    std::erase_if(jobs_, [id](const auto& each) { return each->id == id; });
    startWaiting();
    if (done)
        done();
    else
        emit broke(what, reason);
    emit ended(id);
    emit changed();
}

void Jobs::cancel(std::int64_t id) {
    Job* job = find(id);
    if (job == nullptr) return;
    if (job->thread.joinable()) {
        job->thread.request_stop();
        return;
    }
    std::erase_if(jobs_, [id](const auto& each) { return each->id == id; });
    emit ended(id);
    emit changed();
}

void Jobs::cancel(Lane lane) {
    std::vector<std::int64_t> ids;
    for (const auto& job : jobs_)
        if (job->lane == lane) ids.push_back(job->id);
    for (const std::int64_t id : ids)
        cancel(id);
}

} // namespace app
