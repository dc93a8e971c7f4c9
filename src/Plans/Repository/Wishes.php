<?php

declare(strict_types=1);

namespace MintDoor\Plans\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Entity\Wish;
use MintDoor\Plans\LentWish;
use MintDoor\Shared\BaseRepository;

/** @extends BaseRepository<Wish> */
final class Wishes extends BaseRepository
{
    protected const ENTITY = Wish::class;

    public function one(SitePlan $plan, string $person): ?Wish
    {
        return $this->findOneBy(['plan' => $plan->id, 'person' => $person]);
    }

    /** @return array<string, list<string>> ids of sections, the first wish first, by person */
    public function of(SitePlan $plan): array
    {
        $wishes = [];
        foreach ($this->findBy(['plan' => $plan->id]) as $wish) {
            $wishes[$wish->person->id] = $wish->sections;
        }

        return $wishes;
    }

    /** @param list<string> $sections ids, the first wish first; none takes back what was said */
    public function say(SitePlan $plan, string $person, array $sections, int $now): void
    {
        $wish = $this->one($plan, $person);
        if ([] === $sections) {
            null === $wish || $this->remove($wish);
        } elseif (null === $wish) {
            $this->add(new Wish($plan, $this->reference(Person::class, $person), $sections, $now));
        } else {
            $wish->sections = $sections;
            $wish->saidAt = $now;
        }
    }

    /**
     * What somebody said is what another said, who is the same person; what that one said stands.
     *
     * @return list<LentWish>
     */
    public function lend(string $from, string $to): array
    {
        $lent = [];
        foreach ($this->findBy(['person' => $from]) as $wish) {
            $moved = null === $this->one($wish->plan, $to);
            $lent[] = new LentWish($wish->plan->id, $wish->sections, $wish->saidAt, $moved);
            $moved && $this->say($wish->plan, $to, $wish->sections, $wish->saidAt);
            $this->remove($wish);
        }

        return $lent;
    }

    /**
     * The two are not the same person: each said what they said, where nothing was said since.
     *
     * @param list<LentWish> $lent
     */
    public function giveBack(string $from, string $to, array $lent): void
    {
        foreach ($lent as $one) {
            $plan = $this->getEntityManager()->find(SitePlan::class, $one->plan);
            if (null === $plan) {
                continue;
            }
            $theirs = $this->one($plan, $from);
            if ($one->moved && null !== $theirs && $theirs->saidAt === $one->saidAt) {
                $this->remove($theirs);
            }
            $this->say($plan, $to, $one->sections, $one->saidAt);
        }
    }
}
