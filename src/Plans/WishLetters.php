<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Messages\SiteLetter;
use MintDoor\Messages\SiteLetters;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Repository\PlannedPeople;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Plans\Repository\Wishes;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Transaction;
use Psr\Log\LoggerInterface;

/**
 * Asks learners what they wish when the time for it comes, reminds those who said nothing a day before it is over, and
 * tells them their place when the plan was carried out: not at night, and each once. By hand, whoever makes the plan
 * may remind them again.
 */
final readonly class WishLetters
{
    /** Seconds before the end at which the others are reminded, and how long after they were asked at least. */
    private const BEFORE = 86_400;

    private const AFTER = 6 * 3_600;

    /** Seconds between two reminders by hand. */
    private const APART = 3_600;

    /** Seconds for which a plan that is carried out may be undone before anybody is told; later than that nobody is. */
    private const SETTLES = 600;

    private const OLD = 3 * 86_400;

    public function __construct(
        private SitePlans $plans,
        private PlannedPeople $people,
        private Wishes $wishes,
        private Sections $sections,
        private PlansTogether $together,
        private SiteLetters $letters,
        private Gate $gate,
        private Transaction $transaction,
        private PlatformClock $clock,
        private LoggerInterface $logger,
    ) {}

    /** @return int to how many plans something was written */
    public function due(): int
    {
        $now = $this->clock->instant();
        $due = [
            ...array_fill_keys($this->plans->asking($now), $this->ofSite(...)),
            ...array_fill_keys($this->plans->untold($now - self::OLD, $now - self::SETTLES), $this->place(...)),
        ];
        $done = 0;
        foreach ($due as $site => $write) {
            try {
                $done += $this->transaction->job([$site], static fn(): int => $write($site));
            } catch (\Throwable $thrown) {
                // One site that fails leaves the others alone.
                $this->logger->error('Nobody was written to about a plan.', ['site' => $site, 'exception' => $thrown]);
            }
        }

        return $done;
    }

    /** By hand; runs in a transaction, under the lock of the site. */
    public function remind(SiteAccess $access, SitePlan $plan): void
    {
        if (!$plan->asks($access->now)) {
            throw new Problem(ProblemType::NotReady, 'plans.not-asked-now');
        }
        if (max((int) $plan->remindedAt, (int) $plan->askedAt) > $access->now - self::APART) {
            throw new Problem(ProblemType::NotReady, 'plans.reminded-just-now');
        }
        $this->send($access, $plan, $access->caller);
        $plan->remindedAt = $access->now;
        ++$plan->version;
    }

    private function ofSite(string $site): int
    {
        $access = $this->gate->atDoor($site, Caller::nobody());
        $plan = $this->plans->of($site);
        if (null === $plan || !$plan->asks($access->now) || WakingHours::night($access->now, $access->zone())) {
            return 0;
        }
        if (null === $plan->askedAt) {
            $this->send($access, $plan, null);
            $plan->askedAt = $access->now;
        } elseif (
            null === $plan->remindedAt
            && $plan->closesAt <= $access->now + self::BEFORE
            && $plan->askedAt <= $access->now - self::AFTER
        ) {
            $this->send($access, $plan, null);
            $plan->remindedAt = $access->now;
        } else {
            return 0;
        }
        $this->plans->flush();

        return 1;
    }

    /** Tells those who are where the plan put them. */
    private function place(string $site): int
    {
        $access = $this->gate->atDoor($site, Caller::nobody());
        $plan = $this->plans->of($site);
        if (null === $plan || !$this->together->isDone($plan) || WakingHours::night($access->now, $access->zone())) {
            return 0;
        }
        $names = [];
        foreach ($this->sections->all($site) as $section) {
            $names[$section->id] = '' === $section->meets ? $section->name : "$section->name: $section->meets";
        }
        $why = Outcome::read($plan->outcome ?? [])->why;
        $letters = [];
        foreach ($this->people->of($site, $access->now) as $id => $one) {
            $address = $one->person->stringOrNull('email');
            $at = $why[$id]->section ?? null;
            if (null !== $address && isset($names[$at]) && \in_array($at, $one->sections, true)) {
                $cause = 'placed:'.$plan->changeList?->id.':'.$id;
                $letters[] = new SiteLetter($address, $one->person, $cause, $names[$at]);
            }
        }
        $this->letters->send(MessageKind::Placed, $access, '', $letters, null, false);
        $plan->toldAt = $access->now;
        $this->plans->flush();

        return 1;
    }

    /** To those who said nothing yet. */
    private function send(SiteAccess $access, SitePlan $plan, ?Caller $by): void
    {
        $said = $this->wishes->of($plan);
        $letters = [];
        foreach ($this->people->of($access->site->id, $access->now) as $id => $one) {
            $address = $one->person->stringOrNull('email');
            if (null !== $address && !isset($said[$id])) {
                $letters[] = new SiteLetter(
                    $address,
                    $one->person,
                    'wishes:'.$plan->id.':'.$id.':'.(null === $plan->askedAt ? 'asked' : $access->now),
                    until: (int) $plan->closesAt,
                );
            }
        }
        $this->letters->send(MessageKind::Wishes, $access, '', $letters, $by, false);
    }
}
