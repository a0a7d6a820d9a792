# face:letters pairs
