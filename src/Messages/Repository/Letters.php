<?php

declare(strict_types=1);

namespace MintDoor\Messages\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Messages\Entity\Letter;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Keeping;
use MintDoor\Shared\Resealed;
use MintDoor\Shared\Reseals;
use MintDoor\Shared\Sealer;
use MintDoor\Shared\Sql;

/**
 * The simulated inboxes. What letters say is sealed: links are in them that are good for one person alone.
 *
 * @extends BaseRepository<Letter>
 */
final class Letters extends BaseRepository implements Forgets, Reseals
{
    protected const ENTITY = Letter::class;

    private const SEALED_FOR = 'letter';

    public function __construct(ManagerRegistry $managers, private readonly Sealer $sealer)
    {
        parent::__construct($managers);
    }

    /** @return list<Letter> the last first */
    public function to(string $beginningOfAddress, int $most): array
    {
        /** @var list<Letter> */
        return $this->createQueryBuilder('l')
            ->where('l.address LIKE :address')
            ->setParameter('address', Sql::beginning($beginningOfAddress))
            ->orderBy('l.number', 'DESC')
            ->setMaxResults($most)
            ->getQuery()
            ->getResult();
    }

    public function opened(string $sealed): string
    {
        return (string) $this->sealer->openText($sealed, self::SEALED_FOR);
    }

    /**
     * Each letter arrives once. By hand: one that comes again is passed over by the database, whichever worker brings
     * it.
     */
    public function arrive(string $id, string $address, string $subject, string $text, string $html): void
    {
        $this->execute(
            <<<'SQL'
                INSERT IGNORE INTO letter (id, address, arrived_at, subject, text, html)
                VALUES (?, ?, UTC_TIMESTAMP(), ?, ?, ?)
                SQL,
            [
                $id,
                $address,
                $subject,
                $this->sealer->sealText($text, self::SEALED_FOR),
                $this->sealer->sealText($html, self::SEALED_FOR),
            ],
        );
    }

    public function forget(Keeping $keeping): void
    {
        $this->execute('DELETE FROM letter WHERE arrived_at < ?', [Instant::toSql($keeping->messagesFrom)]);
    }

    /** By hand: as many as there are, a column at a time. */
    public function reseal(): Resealed
    {
        $anew = 0;
        foreach (['text', 'html'] as $column) {
            foreach ($this->eachRow("SELECT number, $column FROM letter") as $row) {
                $text = $this->sealer->resealedText($row->string($column), self::SEALED_FOR);
                if (null !== $text) {
                    $this->execute("UPDATE letter SET $column = ? WHERE number = ?", [$text, $row->int('number')]);
                    ++$anew;
                }
            }
        }

        return new Resealed('letters', $anew);
    }

    /** Takes away all that arrived at an address. */
    public function burn(string $address): void
    {
        $this->execute('DELETE FROM letter WHERE address = ?', [$address]);
    }

    /**
     * Takes away letters by the messages they came from.
     *
     * @param non-empty-list<string> $messages ids
     */
    public function burnOf(array $messages): void
    {
        $this->execute("DELETE FROM letter WHERE SUBSTRING_INDEX(id, '@', 1) IN (?)", [$messages]);
    }
}
