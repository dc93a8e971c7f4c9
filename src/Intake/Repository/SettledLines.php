<?php

declare(strict_types=1);

namespace MintDoor\Intake\Repository;

use MintDoor\Core\Intake\PastedLine;
use MintDoor\Intake\Entity\SettledLine;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;
use MintDoor\Sites\Entity\Site;

/**
 * Whom lines meant when somebody settled them by hand, site by site. Remembered lines rank people; they take nobody.
 *
 * @extends BaseRepository<SettledLine>
 */
final class SettledLines extends BaseRepository
{
    protected const ENTITY = SettledLine::class;

    private const MOST = 500;

    private const LOOKED_AT = 2_000;

    /**
     * Of those that were settled last, the ones that may be of some line, or of a part of one.
     *
     * @param list<PastedLine> $lines
     *
     * @return array<string, string> person by gist, as `PastedLine::gist()` has it
     */
    public function of(string $site, array $lines): array
    {
        $query = $this->createQueryBuilder('l')
            ->select('l.gist', 'p.id')
            ->join('l.person', 'p')
            ->where('l.site = :site')
            ->setParameter('site', $site, 'id')
            ->orderBy('l.madeAt', 'DESC')
            ->addOrderBy('l.gist')
            ->setMaxResults(self::LOOKED_AT)
            ->getQuery();
        $settled = array_column($query->getArrayResult(), 'id', 'gist');
        $may = PastedLine::mayBeOf($lines, array_map(strval(...), array_keys($settled)));

        return array_intersect_key($settled, array_fill_keys($may, true));
    }

    /** @return list<SettledLine> with who is meant and who said so, the last first */
    public function list(string $site): array
    {
        /** @var list<SettledLine> */
        return $this->createQueryBuilder('l')
            ->addSelect('p', 'b')
            ->join('l.person', 'p')
            ->join('l.madeBy', 'b')
            ->where('l.site = :site')
            ->setParameter('site', $site, 'id')
            ->orderBy('l.madeAt', 'DESC')
            ->addOrderBy('l.gist')
            ->setMaxResults(self::MOST)
            ->getQuery()
            ->getResult();
    }

    public function remember(string $site, string $gist, string $text, string $person, string $by, int $at): void
    {
        $who = $this->reference(Person::class, $person);
        $maker = $this->reference(Person::class, $by);
        $line = $this->find(['site' => $site, 'gist' => $gist]);
        if (null === $line) {
            $this->add(new SettledLine($this->reference(Site::class, $site), $gist, $who, $maker, $at, $text));
        } else {
            $line->settle($who, $text, $maker, $at);
        }
        $this->flush();
    }

    /** @return bool whether there was one */
    public function forget(string $site, string $gist): bool
    {
        $line = $this->find(['site' => $site, 'gist' => $gist]);
        if (null === $line) {
            return false;
        }
        $this->remove($line);
        $this->flush();

        return true;
    }

    /** Lines that meant somebody say nothing any more. */
    public function forgetOf(string $person): void
    {
        $line = SettledLine::class;
        $this->dql("DELETE FROM $line l WHERE l.person = :person", ['person' => $person])->execute();
    }
}
