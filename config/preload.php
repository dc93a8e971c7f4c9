<?php

declare(strict_types=1);

$preload = dirname(__DIR__).'/var/cache/prod/MintDoor_KernelProdContainer.preload.php';
if (is_file($preload)) {
    require $preload;
}
