<?php

declare(strict_types=1);

namespace MintDoor\Sites\Repository;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsEntityListener;
use Doctrine\ORM\Event\PostUpdateEventArgs;
use Doctrine\ORM\Events;
use MintDoor\Core\Text\Folding;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Repository\WordIndex;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\Entity\SiteTerm;

/**
 * What sites are found by: every ending of every word of their title and short code, so that any part of a word finds
 * them. By hand: rows of an index, written many at once.
 *
 * @extends BaseRepository<SiteTerm>
 */
#[AsEntityListener(Events::postPersist, 'write', entity: Site::class)]
#[AsEntityListener(Events::postUpdate, 'rewrite', entity: Site::class)]
final class SiteTerms extends BaseRepository
{
    protected const ENTITY = SiteTerm::class;

    /** Of more words than these a text is looked for as it was typed. */
    private const MOST = 6;

    /** Of their words together. */
    private const LONGEST = 700;

    /** Counting the sites a word finds stops here: beyond, the word is just common. */
    private const COMMON = 500;

    public static function addTo(
        BulkWriter $rows,
        string $site,
        string $title,
        string $code,
    ): void {
        $words = Folding::tokens($title.' '.$code);
        $names = substr(' '.implode(' ', $words), 0, self::LONGEST);
        foreach (Folding::endings($title.' '.$code) as $ending) {
            $rows->add('site_term', [
                'inside' => !str_contains($names, ' '.$ending),
                'term' => $ending,
                'title' => $title,
                'site_id' => BulkWriter::id($site),
                'names' => $names,
            ]);
        }
    }

    public function write(Site $site): void
    {
        $rows = new BulkWriter($this->connection());
        self::addTo($rows, $site->id, $site->title, $site->code);
        $rows->flush();
    }

    public function rewrite(Site $site, PostUpdateEventArgs $changed): void
    {
        $facts = $changed->getObjectManager()->getUnitOfWork()->getEntityChangeSet($site);
        if (isset($facts['title']) || isset($facts['code'])) {
            $this->execute('DELETE FROM site_term WHERE site_id = ?', [Id::binary($site->id)]);
            $this->write($site);
        }
    }

    /**
     * Words by which sites are looked for here: in other scripts more letters are alike to the database than are
     * folded to the same ones.
     *
     * @param list<string> $words as typed
     *
     * @return list<string> folded, none where the titles themselves have to be looked at
     */
    public static function tokens(array $words): array
    {
        $plain = array_filter($words, static fn(string $word): bool => 1 !== preg_match('/[^\x00-\x7f]/', $word));

        $tokens = Folding::tokens(implode(' ', $plain));

        return \count($tokens) > self::MOST ? [] : $tokens;
    }

    public function index(): WordIndex
    {
        return new WordIndex(
            $this->connection(),
            'site_term',
            ['inside', 'term', 'title'],
            'site_id',
            self::COMMON,
            '',
            'inside IN (0, 1)',
        );
    }
}
