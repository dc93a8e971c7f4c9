<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\People\Entity\PersonNote;
use MintDoor\Shared\BaseRepository;

/**
 * What staff wrote down about people.
 *
 * @extends BaseRepository<PersonNote>
 */
final class PersonNotes extends BaseRepository
{
    protected const ENTITY = PersonNote::class;

    private const MOST = 200;

    /**
     * @param non-empty-list<string> $people ids of somebody and those merged into them
     *
     * @return list<PersonNote> that were not taken back, with who wrote them; the last first
     */
    public function of(array $people): array
    {
        /** @var list<PersonNote> */
        return $this->createQueryBuilder('n')
            ->addSelect('w')
            ->join('n.madeBy', 'w')
            ->where('n.person IN (:people) AND n.takenBack = false')
            ->setParameter('people', self::binary($people), self::IDS)
            ->orderBy('n.madeAt', 'DESC')
            ->addOrderBy('n.id', 'DESC')
            ->setMaxResults(self::MOST)
            ->getQuery()
            ->getResult();
    }

    public function write(string $person, string $text, string $by, int $at): void
    {
        $about = $this->reference(Person::class, $person);
        $this->add(new PersonNote(self::newId(), $about, $this->reference(Person::class, $by), $at, $text));
        $this->flush();
    }

    /** @param non-empty-list<string> $people ids of somebody and those merged into them */
    public function about(array $people, string $id): ?PersonNote
    {
        $note = $this->find($id);

        return null !== $note && \in_array($note->person->id, $people, true) ? $note : null;
    }
}
